import type { SpaceScene } from '@coiled-strand/core';
import { expose } from 'comlink';
import { openPicture, type Shown, type SpacePicture } from './picture';

/** What is shown, without the scene where that is still the one before. */
export type ShownNext = Omit<Shown, 'scene'> & { readonly scene: SpaceScene | null };

let picture: SpacePicture | null = null;
let scene: SpaceScene = { cords: [], beads: [] };

const painter = {
  open(canvas: OffscreenCanvas): void {
    picture = openPicture(canvas);
  },
  show(next: ShownNext): void {
    scene = next.scene ?? scene;
    picture?.show({ ...next, scene });
  },
  /** One picture that stays as it is, as a PNG; without a background. */
  async still(shown: Shown): Promise<Blob> {
    const { width, height, dots } = shown;
    const canvas = new OffscreenCanvas(width * dots, height * dots);
    let own: SpacePicture | null = null;
    try {
      await new Promise<void>((drawn) => {
        own = openPicture(canvas, true, drawn);
        own.show(shown);
      });
      return await canvas.convertToBlob({ type: 'image/png' });
    } finally {
      (own as SpacePicture | null)?.close();
    }
  },
};
export type Painter = typeof painter;

expose(painter);
