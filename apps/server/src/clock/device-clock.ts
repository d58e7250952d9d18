import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { CLOCKS_AGREE_MS, DEVICE_TIME_HEADER } from '@idle-kettle/contract';

/** The clock of the device that makes a request, milliseconds since 1970, where it tells. */
export const DeviceTime = createParamDecorator(
  (_: unknown, context: ExecutionContext): number | undefined => {
    const told = context.switchToHttp().getRequest<Request>().get(DEVICE_TIME_HEADER);
    return told !== undefined && /^\d{12,13}$/.test(told) ? Number(told) : undefined;
  },
);

/**
 * By how much the times a device tells are to be moved to be of the server's clock, ms. Answers and
 * questions travel, so a small difference is none.
 *
 * @param deviceTime its clock as it asked; undefined is taken to be right
 */
export function clockCorrection_ms(deviceTime: number | undefined, serverTime: Date): number {
  const difference_ms = deviceTime === undefined ? 0 : serverTime.getTime() - deviceTime;
  return Math.abs(difference_ms) < CLOCKS_AGREE_MS ? 0 : difference_ms;
}
