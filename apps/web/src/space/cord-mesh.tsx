import { useEffect, useMemo } from 'react';
import { DataTexture, RepeatWrapping, RGBAFormat, SRGBColorSpace } from 'three';
import { polylineLength, type SpaceBead, type SpaceCord } from '@coiled-strand/core';
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js';
import { beadOf, FINE, scaleOf, THREAD, threadsOf, tubeOf, type Fineness } from './geometry';

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

export function BeadMesh({ bead }: { readonly bead: SpaceBead }) {
  const geometry = useMemo(() => beadOf(bead), [bead]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  const { at, colour } = bead;
  return (
    <mesh geometry={geometry} position={[at[0], at[1], at[2]]} scale={scaleOf(bead)}>
      <meshStandardMaterial color={colour} roughness={0.35} />
    </mesh>
  );
}
