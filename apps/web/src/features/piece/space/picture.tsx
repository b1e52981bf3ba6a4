import { createRoot, extend, useFrame, useThree, type ReconcilerRoot } from '@react-three/fiber';
import { memo, useEffect } from 'react';
import {
  DirectionalLight,
  HemisphereLight,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  MathUtils,
  Mesh,
  MeshLambertMaterial,
  MeshStandardMaterial,
  SphereGeometry,
  type OrthographicCamera,
} from 'three';
import type { SpaceScene } from '@coiled-strand/core';
import { Beads, CoarseCords, CordMesh, PlateMesh } from './cord-mesh';
import { COARSE, COARSE_BEAD, FAR, FINE, PASSING, THREAD, type Fineness } from './geometry';
import { boxOf } from './scene';
import type { Look } from './view-store';
import { drawsFast } from './webgl';

// Only what is drawn with: all of the library would be fetched otherwise.
extend({
  DirectionalLight,
  HemisphereLight,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  MeshStandardMaterial,
  SphereGeometry,
});

/** A scene, from where it is looked at, and how large its picture is. */
export interface Shown {
  readonly scene: SpaceScene;
  readonly look: Look;
  /** What is kept in sight, where that is not all of it: width and height. */
  readonly frame?: readonly [number, number];
  /** Whether the next picture comes at once: none of them is drawn finely. */
  readonly passing?: boolean;
  /** In CSS pixels, and how many dots of the screen one of them has. */
  readonly width: number;
  readonly height: number;
  readonly dots: number;
}

/** How far the camera stands off: only that nothing is cut, since nothing grows smaller with distance. */
const OFF = 4;
const ROOM = 1.08;

type Box = ReturnType<typeof boxOf>;

interface EyeProps extends Pick<Shown, 'look' | 'frame'> {
  readonly box: Box;
}

/** Looks at the middle of the scene from where it is told to. */
function Eye({ look, frame, box: { middle, size: box } }: EyeProps) {
  const get = useThree((state) => state.get);
  const size = useThree((state) => state.size);
  useEffect(() => {
    const { camera, invalidate } = get();
    const eye = camera as OrthographicCamera;
    const far = OFF * Math.max(...box, 1);
    const [turn, tilt] = [MathUtils.degToRad(look.turn), MathUtils.degToRad(look.tilt)];
    eye.position.set(
      middle[0] + far * Math.sin(turn) * Math.cos(tilt),
      middle[1] + far * Math.sin(tilt),
      middle[2] + far * Math.cos(turn) * Math.cos(tilt),
    );
    // Straight from above or below the upright is no way up: what was away from the viewer is.
    const steep = Math.abs(look.tilt) > 89 ? -Math.sign(tilt) : 0;
    if (steep !== 0) eye.up.set(steep * Math.sin(turn), 0, steep * Math.cos(turn));
    else eye.up.set(0, 1, 0);
    eye.lookAt(middle[0], middle[1], middle[2]);
    const [wide, high] = frame ?? [Math.hypot(box[0], box[2] / 2), Math.hypot(box[1], box[2] / 2)];
    eye.zoom = (Math.min(size.width / wide, size.height / high) / ROOM) * look.near;
    eye.near = 0.01;
    eye.far = 3 * far;
    eye.updateProjectionMatrix();
    invalidate();
  }, [get, size, middle, box, look, frame]);
  return null;
}

/** From so many pixels of its thickness on a cord is drawn finely, round, and as more than a line. */
const SEEN = 9;
const ROUND = 4;
const BODY = 2;

/** How finely cords are drawn: by how thick they are on the screen, which changes only by steps. */
function finenessAt({ scene, look, passing, width, frame }: Shown, { size }: Box): Fineness {
  const thick = scene.cords.reduce((most, { diameter }) => Math.max(most, diameter), 0);
  const pixels = (thick * width * look.near) / (frame?.[0] ?? size[0]);
  if (pixels >= SEEN) return passing ? PASSING : FINE;
  if (pixels >= ROUND) return COARSE;
  return pixels >= BODY ? FAR : THREAD;
}

interface ThingsProps {
  readonly scene: SpaceScene;
  readonly fineness: Fineness;
}

/** What is looked at; however it is turned, it is laid out once. */
const Things = memo(function Things({ scene, fineness }: ThingsProps) {
  return (
    <>
      {fineness === FINE ? (
        scene.cords.map((cord) => <CordMesh key={cord.key} cord={cord} />)
      ) : (
        <CoarseCords cords={scene.cords} fineness={fineness} />
      )}
      {scene.plates?.map((plate) => (
        <PlateMesh key={plate.key} plate={plate} />
      ))}
      <Beads beads={scene.beads} {...(fineness === FINE ? {} : { sides: COARSE_BEAD })} />
    </>
  );
});

/** Draws it by itself, so that it is known when that is done. */
function Drawn({ onDrawn }: { readonly onDrawn: () => void }) {
  useFrame(({ gl, scene, camera }) => {
    gl.render(scene, camera);
    onDrawn();
  }, 1);
  return null;
}

/** A picture that is drawn on a canvas, and anew whenever what it shows changes. */
export interface SpacePicture {
  show(shown: Shown): void;
  close(): void;
}

/** Boxes of scenes that are shown; one is looked at many times. */
const boxes = new WeakMap<SpaceScene, Box>();
function boxAbout(scene: SpaceScene): Box {
  const known = boxes.get(scene) ?? boxOf(scene);
  boxes.set(scene, known);
  return known;
}

/**
 * @param stays whether it is drawn but once: edges are smooth then, which is three times as much work, and otherwise
 *   only where a graphics card does it in no time
 * @param onDrawn told each time that it was drawn
 */
export function openPicture(
  canvas: HTMLCanvasElement | OffscreenCanvas,
  stays = false,
  onDrawn?: () => void,
): SpacePicture {
  const root: ReconcilerRoot<HTMLCanvasElement | OffscreenCanvas> = createRoot(canvas);
  let size = '';
  let open = true;
  let latest: Shown | null = null;
  const draw = (): void => {
    if (!open || !latest) return;
    const { scene, look, frame } = latest;
    const box = boxAbout(scene);
    root.render(
      <>
        <hemisphereLight args={['#ffffff', '#9aa09c', 2.3]} />
        <directionalLight position={[3, 6, 8]} intensity={2.4} />
        <directionalLight position={[-6, -3, -4]} intensity={0.8} />
        <Things scene={scene} fineness={finenessAt(latest, box)} />
        <Eye look={look} box={box} {...(frame ? { frame } : {})} />
        {onDrawn && <Drawn onDrawn={onDrawn} />}
      </>,
    );
  };
  return {
    show(shown) {
      latest = shown;
      const { width, height, dots } = shown;
      const wanted = `${width} ${height} ${dots}`;
      if (size === wanted) return draw();
      size = wanted;
      void root
        .configure({
          size: { width, height, top: 0, left: 0 },
          orthographic: true,
          frameloop: 'demand',
          dpr: dots,
          gl: { antialias: stays || drawsFast() },
        })
        .then(draw);
    },
    close() {
      open = false;
      root.unmount();
    },
  };
}
