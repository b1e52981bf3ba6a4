/**
 * The page of a piece with its stages, fetched as one: a stage must not be missing when the server goes
 * away while a piece lies open.
 */
export { PieceRoute } from './pages/piece/piece-route';
export { CutStage } from './stages/cut/cut-stage';
export { FinishStage } from './stages/finish/finish-stage';
export { FitStage } from './stages/fit/fit-stage';
export { LayoutStage } from './stages/layout/layout-stage';
export { MakeStage } from './stages/make/make-stage';
