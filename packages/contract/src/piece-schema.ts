import { PIECE_FORMAT_VERSION } from '@coiled-strand/core';
import { jsonSchemaOf } from './json-schema.js';
import { PieceFileDto } from './piece.dto.js';
import type { JsonSchema } from './schema-context.js';

/** The published schema of a piece file of the present version, from the rules that the edge checks it by. */
export const pieceFileSchema = (): JsonSchema =>
  jsonSchemaOf(PieceFileDto, {
    $id: `urn:coiled-strand:piece:${PIECE_FORMAT_VERSION}`,
    title: 'A piece of Coiled Strand',
    description:
      'Lengths in millimetres. Besides what this schema says, no two beads, knots or parts of a piece share an id, and what was computed of a drawn knot is what the program computes of its board.',
  });
