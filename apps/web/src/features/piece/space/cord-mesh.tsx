import { useEffect, useLayoutEffect, useMemo, useRef } from 'react';
import {
  DataTexture,
  Object3D,
  RepeatWrapping,
  RGBAFormat,
  SRGBColorSpace,
  type InstancedMesh,
} from 'three';
import {
  polylineLength,
  type SpaceBead,
  type SpaceCord,
  type SpacePlate,
} from '@coiled-strand/core';
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js';
import {
  beadOf,
  FINE,
  scaleOf,
  solidOf,
  THREAD,
  threadsOf,
  tubeOf,
  type Fineness,
} from './geometry';

/** One rib of a braid or a twist, brightness by row and column. */
const RIB = 16;

/** The surface of a cord: ribs that lean for a twist, and that cross for a braid. */
function ribs(texture: SpaceCord['texture']): DataTexture | null {
  if (texture === 'smooth') return null;
  const data = new Uint8Array(4 * RIB * RIB);
  for (let i = 0; i < RIB; i++) {
    for (let j = 0; j < RIB; j++) {
      const [u, v] = [i / RIB, j / RIB];
      const lean = Math.abs(((((u + v) % 1) + 1) % 1) - 0.5) * 2;
      const back = Math.abs(((((u - v) % 1) + 1) % 1) - 0.5) * 2;
      const bright = texture === 'twist' ? lean : v < 0.5 ? lean : back;
      const level = Math.round(255 * (0.62 + 0.38 * bright));
      data.set([level, level, level, 255], 4 * (j * RIB + i));
    }
  }
  const map = new DataTexture(data, RIB, RIB, RGBAFormat);
  map.wrapS = RepeatWrapping;
  map.wrapT = RepeatWrapping;
  map.colorSpace = SRGBColorSpace;
  map.needsUpdate = true;
  return map;
}

/** A cord as a tube along its curve. */
export function CordMesh({ cord }: { readonly cord: SpaceCord }) {
  const { line, diameter, colour, texture } = cord;
  const geometry = useMemo(() => tubeOf(cord, FINE), [cord]);
  const map = useMemo(() => {
    const made = ribs(texture);
    // A rib is as long as it is wide: a third of the way round.
    made?.repeat.set(Math.max(1, Math.round(polylineLength(line) / diameter)), 3);
    return made;
  }, [texture, line, diameter]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  useEffect(() => () => map?.dispose(), [map]);
  const ends = [line[0]!, line.at(-1)!];
  return (
    <>
      <mesh geometry={geometry}>
        <meshStandardMaterial color={colour} map={map} roughness={0.85} metalness={0} />
      </mesh>
      {ends.map((at, i) => (
        <mesh key={i} position={[at[0], at[1], at[2]]}>
          <sphereGeometry args={[diameter / 2, 14, 8]} />
          <meshStandardMaterial color={colour} map={map} roughness={0.9} />
        </mesh>
      ))}
    </>
  );
}

interface CoarseProps {
  readonly cords: readonly SpaceCord[];
  readonly fineness: Fineness;
}

/** Cords of which only the way and the colour can be made out: all of a colour are one mesh. */
export function CoarseCords({ cords, fineness }: CoarseProps) {
  const meshes = useMemo(() => {
    const byColour = new Map<string, SpaceCord[]>();
    for (const cord of cords) {
      byColour.set(cord.colour, [...(byColour.get(cord.colour) ?? []), cord]);
    }
    return [...byColour].map(([colour, own]) => ({
      colour,
      geometry:
        fineness === THREAD
          ? threadsOf(own)
          : mergeGeometries(own.map((cord) => tubeOf(cord, fineness))),
    }));
  }, [cords, fineness]);
  useEffect(() => () => meshes.forEach(({ geometry }) => geometry.dispose()), [meshes]);
  return meshes.map(({ colour, geometry }) =>
    fineness === THREAD ? (
      <lineSegments key={`${colour} line`} geometry={geometry}>
        <lineBasicMaterial color={colour} />
      </lineSegments>
    ) : (
      <mesh key={colour} geometry={geometry}>
        <meshLambertMaterial color={colour} />
      </mesh>
    ),
  );
}

interface BeadsProps {
  readonly beads: readonly SpaceBead[];
  readonly sides?: number;
}

/** Beads of one kind: one solid, as often as there are of them. */
function LikeBeads({ beads, sides }: BeadsProps) {
  const [first] = beads;
  const geometry = useMemo(() => beadOf(first!, sides), [first, sides]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  const mesh = useRef<InstancedMesh>(null);
  useLayoutEffect(() => {
    const all = mesh.current!;
    const place = new Object3D();
    beads.forEach((bead, i) => {
      place.position.set(...bead.at);
      place.scale.set(...scaleOf(bead));
      place.updateMatrix();
      all.setMatrixAt(i, place.matrix);
    });
    all.instanceMatrix.needsUpdate = true;
    all.computeBoundingSphere();
  }, [beads]);
  return (
    <instancedMesh ref={mesh} args={[geometry, undefined, beads.length]}>
      {sides === undefined ? (
        <meshStandardMaterial color={first!.colour} roughness={0.35} />
      ) : (
        <meshLambertMaterial color={first!.colour} />
      )}
    </instancedMesh>
  );
}

/** @param sides of each, where they are not seen close to */
export function Beads({ beads, sides }: BeadsProps) {
  const kinds = useMemo(() => {
    const by = new Map<string, SpaceBead[]>();
    for (const bead of beads) {
      const { shape, colour, length, height } = bead;
      const kind = `${shape} ${colour} ${length} ${height}`;
      by.set(kind, [...(by.get(kind) ?? []), bead]);
    }
    return [...by];
  }, [beads]);
  return kinds.map(([kind, own]) => (
    <LikeBeads
      key={`${kind} ${own.length}`}
      beads={own}
      {...(sides === undefined ? {} : { sides })}
    />
  ));
}

/** A buckle, a bar, a stone: flat on both sides, cut out as it is drawn. */
export function PlateMesh({ plate }: { readonly plate: SpacePlate }) {
  const geometry = useMemo(() => solidOf(plate), [plate]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial color={plate.colour} roughness={0.5} />
    </mesh>
  );
}
