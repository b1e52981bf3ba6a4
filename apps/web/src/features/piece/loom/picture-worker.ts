import {
  weavePicture,
  type Picture,
  type PictureOptions,
  type PictureWoven,
} from '@coiled-strand/core';
import { expose } from 'comlink';

const weaver = {
  /** @throws Error with a sentence for the maker */
  weave: (picture: Picture, options: PictureOptions): PictureWoven =>
    weavePicture(picture, options),
};
export type PictureWeaver = typeof weaver;

expose(weaver);
