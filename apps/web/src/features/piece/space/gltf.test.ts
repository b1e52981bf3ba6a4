import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../../scripts/lib/deep.mjs';
import {
  drawInSpace,
  planPiece,
  templateById,
  TIGHTENED_CURVES,
  type SpacePlate,
  type SpaceScene,
} from '@coiled-strand/core';
import { validateBytes } from 'gltf-validator';
import { Vector3, type BufferGeometry } from 'three';
import { solidOf } from './geometry';
import { gltfOf } from './gltf';

interface Accessor {
  readonly count: number;
  readonly type: string;
  readonly min?: readonly number[];
  readonly max?: readonly number[];
}
interface Gltf {
  readonly asset: { readonly version: string };
  readonly meshes: readonly {
    readonly primitives: readonly { readonly attributes: Readonly<Record<string, number>> }[];
  }[];
  readonly nodes: readonly { readonly name?: string; readonly scale?: readonly number[] }[];
  readonly accessors: readonly Accessor[];
}

const sceneOf = (id: string): SpaceScene => {
  const piece = templateById(id).make({
    name: 'x',
    wearer: { name: 'x', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('no plan');
  return drawInSpace(piece, plan, TIGHTENED_CURVES);
};

describe('a piece as glTF', () => {
  it.each(
    deep(
      ['focal-cord', 'beaded-band', 'floss-spiral', 'buckle-band'],
      ['focal-cord', 'buckle-band'],
    ),
  )('%s is valid glTF 2.0, one mesh a cord and a bead, in millimetres', async (id) => {
    const scene = sceneOf(id);
    const gltf = (await gltfOf(scene)) as unknown as Gltf;
    expect(gltf.asset.version).toBe('2.0');
    const report = await validateBytes(new TextEncoder().encode(JSON.stringify(gltf)));
    expect(report.issues.messages.filter(({ severity }) => severity < 2)).toEqual([]);
    expect(report.issues.numErrors).toBe(0);
    expect(gltf.nodes.filter(({ name }) => name?.startsWith('cord '))).toHaveLength(
      scene.cords.length,
    );
    expect(gltf.meshes.length).toBeGreaterThan(0);
    const root = gltf.nodes.find(({ name }) => name === 'millimetres')!;
    expect(root.scale).toEqual([0.001, 0.001, 0.001]);
    // As long as the piece is: the positions are its millimetres.
    const boxes = gltf.meshes.map(
      ({ primitives }) => gltf.accessors[primitives[0]!.attributes['POSITION']!]!,
    );
    const along = scene.cords.flatMap(({ line }) => line.map(([x]) => x));
    expect(Math.max(...boxes.map(({ max }) => max![0]!))).toBeGreaterThan(
      Math.max(...along) - 1e-3,
    );
  });
});

describe('a plate', () => {
  /** Volume inside a closed mesh, by the tetrahedra from the origin to its faces. */
  const volumeOf = (geometry: BufferGeometry): number => {
    const at = geometry.toNonIndexed().getAttribute('position');
    let sum = 0;
    for (let i = 0; i < at.count; i += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => new Vector3().fromBufferAttribute(at, i + k));
      sum += a!.dot(b!.clone().cross(c!)) / 6;
    }
    return sum;
  };
  const box = (x: number, y: number, size: number): [number, number][] => [
    [x, y],
    [x + size, y],
    [x + size, y + size],
    [x, y + size],
  ];
  it('is solid where its outlines say so, and open in its windows, whichever way they are drawn', () => {
    const plate = (outlines: SpacePlate['outlines']): SpacePlate => ({
      key: 'p',
      outlines,
      thickness: 2,
      colour: '#888888',
    });
    expect(volumeOf(solidOf(plate([box(0, 0, 10)])))).toBeCloseTo(200, 6);
    expect(volumeOf(solidOf(plate([box(0, 0, 10), box(2, 2, 4)])))).toBeCloseTo(168, 6);
    expect(volumeOf(solidOf(plate([box(2, 2, 4).reverse(), box(0, 0, 10)])))).toBeCloseTo(168, 6);
    // Something solid in a window, and two things beside each other.
    const island = [box(0, 0, 10), box(2, 2, 4), box(3, 3, 1), box(20, 0, 1)];
    expect(volumeOf(solidOf(plate(island)))).toBeCloseTo(172, 6);
  });
});
