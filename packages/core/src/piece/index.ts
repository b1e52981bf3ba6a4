/** The piece from one end to the other, and its file. What is not here is the room’s own. */
// The piece as the maker lays it out.
export { changes, TOPICS, type Change, type Topic } from './changes.js';
export { sameCopy, sameDocument } from './same.js';
export { STRAND_WAYS, strandWay } from './strand-ways.js';
export { alternated, graded, inBlocks, mirrored } from './arrange.js';
export {
  changePart,
  duplicatePart,
  freshId,
  insertPart,
  mirrorAbout,
  movePart,
  removePart,
  repeatParts,
} from './edit.js';
export { EXAMPLE_BAND, EXAMPLE_CORD, EXAMPLE_PIECE } from './example.js';
export {
  cordsOfBand,
  insertStrand,
  layColours,
  layReady,
  placesOf,
  recolourPlace,
  removeStrand,
  withPattern,
  layWritten,
  withSingleStrands,
  withStrandCount,
} from './loom.js';
export { beadIdsOf, beadsById, knotIdsOf, knotsById } from './palette.js';
export { kindOfTechnique, techniqueLabel } from './technique.js';
export type { Cutting, Piece, PieceBead, PieceKnot, Strand, Wear, Wearer } from './piece.js';
export { runsOf } from './runs.js';
export { sitesOf } from './sites.js';
// The open file format.
export {
  fileNameOf,
  pieceFileName,
  readPieceFile,
  toPieceFile,
  wrapperFaults,
  type FileFault,
  type PieceFile,
} from './format/piece-file.js';
export { PIECE_FORMAT, PIECE_FORMAT_VERSION } from './format/version.js';
export { upgradeFile, upgradePiece } from './format/upgrade.js';
