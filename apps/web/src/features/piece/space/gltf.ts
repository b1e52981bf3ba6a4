import type { SpaceScene } from '@coiled-strand/core';
import { Group, Mesh, MeshStandardMaterial } from 'three';
import { GLTFExporter } from 'three/addons/exporters/GLTFExporter.js';
import { beadOf, FINE, scaleOf, solidOf, tubeOf } from './geometry';

/** A millimetre in the unit of glTF, which is the metre. */
const MM = 0.001;

/**
 * A scene as glTF 2.0: one mesh a cord, a bead and all else that is solid, in millimetres below a node that says so by its scale. Curves are
 * those that are seen and measured.
 */
export async function gltfOf(scene: SpaceScene): Promise<object> {
  const root = new Group();
  root.name = 'millimetres';
  root.scale.setScalar(MM);
  for (const cord of scene.cords) {
    const mesh = new Mesh(
      tubeOf(cord, FINE),
      new MeshStandardMaterial({ color: cord.colour, roughness: 0.85, metalness: 0 }),
    );
    mesh.name = `cord ${cord.strand}: ${cord.key}`;
    root.add(mesh);
  }
  for (const bead of scene.beads) {
    const mesh = new Mesh(
      beadOf(bead),
      new MeshStandardMaterial({ color: bead.colour, roughness: 0.35, metalness: 0 }),
    );
    mesh.name = bead.key;
    mesh.position.set(...bead.at);
    mesh.scale.set(...scaleOf(bead));
    root.add(mesh);
  }
  for (const plate of scene.plates ?? []) {
    const mesh = new Mesh(
      solidOf(plate),
      new MeshStandardMaterial({ color: plate.colour, roughness: 0.5, metalness: 0 }),
    );
    mesh.name = plate.key;
    root.add(mesh);
  }
  return await new GLTFExporter().parseAsync(root, { binary: false, trs: true });
}
