import { Inject, Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { isProven, UNPROVEN } from '../http/host-guard.js';
import { ProblemException } from '../http/problem.filter.js';
import { SETTINGS, type Settings } from '../settings.js';
import { DownloadLinksService } from './download-links.service.js';

/**
 * Lets a download be asked for by our own pages, by the command line, and at an address that works
 * once. A whole household is much to be asked for by a picture in somebody's page.
 */
@Injectable()
export class DownloadGuard implements CanActivate {
  constructor(
    private readonly links: DownloadLinksService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const { headers, originalUrl } = context.switchToHttp().getRequest<Request>();
    if (isProven(headers, this.settings.commandKey)) return true;
    const url = new URL(originalUrl, 'http://here');
    const token = url.searchParams.get('once');
    url.searchParams.delete('once');
    if (token !== null && (await this.links.use(token, url.pathname + url.search))) return true;
    throw new ProblemException(UNPROVEN.code, UNPROVEN.detail);
  }
}
