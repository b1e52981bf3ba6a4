import {
  PhotosQueryDto,
  type MadePhotoView,
  type PageView,
  type PhotoType,
  type PhotoView,
} from '@coiled-strand/contract';
import { Controller, Delete, Get, HttpCode, Param, Post, Query, Req, Res } from '@nestjs/common';
import { ApiConsumes, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { notFound } from '../errors/app-error.js';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { queryOf } from '../openapi/body-of.js';
import { THUMB_TYPE } from './thumbnails.js';
import { PhotosService } from './photos.service.js';

const ENDING: Readonly<Record<PhotoType, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
};

/**
 * A picture and nothing else: whatever its bytes are, no browser takes them for a page, and if one did, it would run
 * nothing and come from nowhere.
 */
function sendPicture(response: Response, id: string, type: PhotoType, bytes: Buffer): void {
  if (!(type in ENDING)) throw notFound('photo');
  response.setHeader('Content-Type', type);
  response.setHeader('Content-Disposition', `inline; filename="${id}.${ENDING[type]}"`);
  response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox");
  response.setHeader('X-Content-Type-Options', 'nosniff');
  // It is asked each time whether the picture may still be seen; what has not changed is not sent again.
  response.setHeader('Cache-Control', 'private, no-cache');
  response.send(bytes);
}

@ApiTags('photos')
@Controller()
export class PhotosController {
  constructor(private readonly photos: PhotosService) {}

  @Roles('maker')
  @Post('makes/:id/photos')
  @ApiConsumes('image/jpeg', 'image/png', 'image/webp')
  @ApiOperation({ summary: 'Add a picture to a make; its bytes are the body' })
  add(@Param('id', uuid('make')) id: string, @Req() request: Request): Promise<PhotoView> {
    return this.photos.add(id, request.body);
  }

  @Roles('viewer')
  @Get('photos')
  @ApiOperation({ summary: 'Pictures of all makes, a page at a time' })
  @queryOf(PhotosQueryDto)
  list(@Query() query: PhotosQueryDto): Promise<PageView<MadePhotoView>> {
    return this.photos.page(query);
  }

  @Roles('viewer')
  @Get('photos/:id')
  @ApiOperation({ summary: 'The bytes of a picture' })
  async get(@Param('id', uuid('photo')) id: string, @Res() response: Response): Promise<void> {
    const { type, bytes } = await this.photos.get(id);
    sendPicture(response, id, type, bytes);
  }

  @Roles('viewer')
  @Get('photos/:id/thumb')
  @ApiOperation({ summary: 'The picture made small; whole as long as it was not yet made so' })
  async thumb(@Param('id', uuid('photo')) id: string, @Res() response: Response): Promise<void> {
    const thumb = await this.photos.thumb(id);
    if (thumb !== null) return sendPicture(response, id, THUMB_TYPE, thumb);
    const { type, bytes } = await this.photos.get(id);
    sendPicture(response, id, type, bytes);
    return undefined;
  }

  @Roles('maker')
  @Delete('photos/:id')
  @HttpCode(204)
  remove(@Param('id', uuid('photo')) id: string): Promise<void> {
    return this.photos.remove(id);
  }
}
