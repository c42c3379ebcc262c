/** What is wanted on the table beside wool and needles; said the same by every step that wants it. */
import { say } from './text';

export const SCISSORS = say`Sharp scissors, a rule and a comb`;
export const SCALES = say`Scales`;
export const BAGS = say`Small bags and clips for the colours beside`;
export const CALLIPERS = say`Callipers and an awl`;
export const GLUE = say`Glue`;
export const PHOTOGRAPHS = say`Photographs of the animal`;
