import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Param,
  Patch,
  Post,
  Put,
  Query,
  StreamableFile,
} from '@nestjs/common';
import { KeepPhoto, PHOTO_TYPES, PhotoNote, type PhotoView } from '@idle-kettle/contract';
import { ProblemException } from '../http/problem.filter.js';
import { idPipe } from '../http/validation.js';
import { PhotoService } from './photo.service.js';

const TYPE = 'image/webp';
/** A picture never changes: what an id stands for is kept by the browser, and by nobody between. */
const FOR_GOOD = 'private, max-age=31536000, immutable';

@Controller()
export class PhotoController {
  constructor(private readonly photos: PhotoService) {}

  @Get('batches/:batchId/photos')
  list(@Param('batchId', idPipe) batchId: string): Promise<PhotoView[]> {
    return this.photos.list(batchId);
  }

  /** The message is the picture itself. */
  @Put('batches/:batchId/photos/:id')
  keep(
    @Param('batchId', idPipe) batchId: string,
    @Param('id', idPipe) id: string,
    @Query() { at }: KeepPhoto,
    @Body() picture: unknown,
  ): Promise<PhotoView> {
    if (!Buffer.isBuffer(picture) || picture.length === 0)
      throw new ProblemException('wrong-media', 'this is not a photo', {
        errors: [
          {
            path: 'photo',
            message: `send the picture itself, as one of ${PHOTO_TYPES.join(', ')}`,
          },
        ],
      });
    return this.photos.keep(batchId, id, picture, at);
  }

  @Get('photos/:id')
  @Header('Content-Type', TYPE)
  @Header('Cache-Control', FOR_GOOD)
  async picture(@Param('id', idPipe) id: string): Promise<StreamableFile> {
    return new StreamableFile(await this.photos.picture(id, 'image'), { type: TYPE });
  }

  @Get('photos/:id/small')
  @Header('Content-Type', TYPE)
  @Header('Cache-Control', FOR_GOOD)
  async small(@Param('id', idPipe) id: string): Promise<StreamableFile> {
    return new StreamableFile(await this.photos.picture(id, 'small'), { type: TYPE });
  }

  @Patch('photos/:id')
  write(@Param('id', idPipe) id: string, @Body() { note }: PhotoNote): Promise<PhotoView> {
    return this.photos.write(id, note);
  }

  @Delete('photos/:id')
  @HttpCode(204)
  takeOut(@Param('id', idPipe) id: string): Promise<void> {
    return this.photos.takeOut(id, true);
  }

  /** It was a slip: as it was before. */
  @Post('photos/:id/back')
  @HttpCode(204)
  bringBack(@Param('id', idPipe) id: string): Promise<void> {
    return this.photos.takeOut(id, false);
  }
}
