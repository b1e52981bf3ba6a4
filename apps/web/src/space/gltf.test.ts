import { describe, expect, it } from '@jest/globals';
import {
  drawInSpace,
  planPiece,
  templateById,
  TIGHTENED_CURVES,
  type SpaceScene,
} from '@coiled-strand/core';
import { validateBytes } from 'gltf-validator';
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
    cutting: { sureness: 0.95, step: 10, practice: 'practised' },
  });
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('no plan');
  return drawInSpace(piece, plan, TIGHTENED_CURVES);
};

describe('a piece as glTF', () => {
  it.each(['focal-cord', 'beaded-band', 'floss-spiral'])(
    '%s is valid glTF 2.0, one mesh a cord and a bead, in millimetres',
    async (id) => {
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
    },
    60_000,
  );
});
