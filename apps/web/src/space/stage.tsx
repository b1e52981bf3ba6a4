import { createRoot, extend, useThree, type ReconcilerRoot } from '@react-three/fiber';
import { memo, useEffect, useMemo, useRef } from 'react';
import {
  DirectionalLight,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  MathUtils,
  Mesh,
  MeshLambertMaterial,
  MeshStandardMaterial,
  SphereGeometry,
  type OrthographicCamera,
} from 'three';
import { useSize } from '../bench/use-size';
import { BeadMesh, CoarseCords, CordMesh } from './cord-mesh';
import type { SpaceScene } from '@coiled-strand/core';
import { COARSE, FAR, FINE, THREAD, type Fineness } from './geometry';
import { boxOf } from './scene';
import type { Look } from './view-store';
import { drawsFast } from './webgl';

// Only what is drawn with: all of the library would be fetched otherwise.
extend({
  DirectionalLight,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  MeshStandardMaterial,
  SphereGeometry,
});

interface Props {
  readonly scene: SpaceScene;
  readonly look: Look;
  /** What is kept in sight, where that is not all of it: width and height. */
  readonly frame?: readonly [number, number];
  /** Whether the next picture comes at once: none of them is drawn finely. */
  readonly passing?: boolean;
}

/** How far the camera stands off: only that nothing is cut, since nothing grows smaller with distance. */
const OFF = 4;
const ROOM = 1.08;

interface SeenProps extends Props {
  readonly box: ReturnType<typeof boxOf>;
  readonly fineness: Fineness;
}

/** Looks at the middle of the scene from where it is told to. */
function Eye({ look, frame, box: { middle, size: box } }: SeenProps) {
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
function finenessAt({ scene, look, passing }: Props, wide: number, width: number): Fineness {
  const thick = scene.cords.reduce((most, { diameter }) => Math.max(most, diameter), 0);
  const pixels = (thick * width * look.near) / wide;
  if (pixels >= SEEN) return passing ? COARSE : FINE;
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
      {scene.beads.map((bead) => (
        <BeadMesh key={bead.key} bead={bead} />
      ))}
    </>
  );
});

const Contents = (props: SeenProps) => (
  <>
    <hemisphereLight args={['#ffffff', '#9aa09c', 2.3]} />
    <directionalLight position={[3, 6, 8]} intensity={2.4} />
    <directionalLight position={[-6, -3, -4]} intensity={0.8} />
    <Things scene={props.scene} fineness={props.fineness} />
    <Eye {...props} />
  </>
);

/** Things in space. Drawn anew only when something changes. */
export function Stage(props: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const root = useRef<ReconcilerRoot<HTMLCanvasElement> | null>(null);
  const [frame, { width, height }] = useSize<HTMLDivElement>();
  useEffect(() => {
    const own = createRoot(canvas.current!);
    root.current = own;
    return () => {
      root.current = null;
      own.unmount();
    };
  }, []);
  const box = useMemo(() => boxOf(props.scene), [props.scene]);
  const sized = useRef('');
  useEffect(() => {
    const own = root.current;
    if (!own || width === 0 || height === 0) return;
    const fineness = finenessAt(props, props.frame?.[0] ?? box.size[0], width);
    const contents = <Contents {...props} box={box} fineness={fineness} />;
    const size = `${width} ${height}`;
    if (sized.current === size) {
      own.render(contents);
      return;
    }
    sized.current = size;
    void own
      .configure({
        size: { width, height, top: 0, left: 0 },
        orthographic: true,
        frameloop: 'demand',
        dpr: [1, 2],
        // Smooth edges cost three times as much where no graphics card helps.
        gl: { antialias: drawsFast() },
      })
      .then(() => root.current?.render(contents));
  });
  return (
    <div ref={frame} style={{ width: '100%', height: '100%' }}>
      <canvas
        ref={canvas}
        aria-hidden
        style={{ display: 'block', width: '100%', height: '100%' }}
      />
    </div>
  );
}
