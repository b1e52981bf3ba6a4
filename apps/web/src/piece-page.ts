/**
 * The page of a piece with its stages, fetched as one: a stage must not be missing when the server goes
 * away while a piece lies open.
 */
export { PieceRoute } from './features/piece/pages/piece/piece-route';
export { CutStage } from './features/piece/stages/cut/cut-stage';
export { FinishStage } from './features/make/stages/finish/finish-stage';
export { FitStage } from './features/piece/stages/fit/fit-stage';
export { LayoutStage } from './features/piece/stages/layout/layout-stage';
export { MakeStage } from './features/make/stages/make/make-stage';
