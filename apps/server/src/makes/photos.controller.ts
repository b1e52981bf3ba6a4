import {
  PhotosQueryDto,
  type MadePhotoView,
  type PageView,
  type PhotoView,
} from '@coiled-strand/contract';
import { Controller, Delete, Get, HttpCode, Param, Post, Query, Req, Res } from '@nestjs/common';
import { ApiConsumes, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { queryOf } from '../openapi/body-of.js';
import { THUMB_TYPE } from './thumbnails.js';
import { PhotosService } from './photos.service.js';

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
    response.setHeader('Content-Type', type);
    // A photo never changes under its id.
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.send(bytes);
  }

  @Roles('viewer')
  @Get('photos/:id/thumb')
  @ApiOperation({ summary: 'The picture made small; whole as long as it was not yet made so' })
  async thumb(@Param('id', uuid('photo')) id: string, @Res() response: Response): Promise<void> {
    const thumb = await this.photos.thumb(id);
    if (thumb === null) {
      response.setHeader('Cache-Control', 'no-store');
      const { type, bytes } = await this.photos.get(id);
      response.setHeader('Content-Type', type);
      response.send(bytes);
      return;
    }
    response.setHeader('Content-Type', THUMB_TYPE);
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.send(thumb);
  }

  @Roles('maker')
  @Delete('photos/:id')
  @HttpCode(204)
  remove(@Param('id', uuid('photo')) id: string): Promise<void> {
    return this.photos.remove(id);
  }
}
