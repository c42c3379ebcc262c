/**
 * The front door: what core offers to those who plan, in the words of one sentence. A plan is a pure function of what the maker
 * decided (a piece), what the maker has (a cupboard) and how the maker works (a hand). Rooms behind it are opened by name.
 */
export { Memo, type Lasting } from './memo';
export { methods } from './methods';
export { newPiece } from './new-piece';
export type { Cupboard } from './piece/cupboard';
export { defaultHand, type Hand } from './piece/hand';
export { parsePiece, readCupboard, readHand, readPiece, type Problem, type Read } from './piece/read';
export type { Piece } from './piece/schema';
export { makePlan, planSteps, type Plan, type PlanOptions, type Progress } from './plan';
export type { Finding, Operation, Remedy } from './stage';
