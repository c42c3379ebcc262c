/** The demo pieces and the demo cupboard, read from the files a maker would export. All their values are invented. */
import { readCupboard, readPiece, type Read } from '../src/core';
import criaFile from './alpaca-cria.json';
import hareFile from './brown-hare.json';
import cupboardFile from './cupboard.json';
import kingfisherFile from './kingfisher.json';
import martenFile from './pine-marten.json';
import martenLog from './pine-marten-log.json';

function sound<T>(read: Read<T>): T {
  if (!read.ok) throw new Error(`a demo file is not sound: ${read.problems[0]!.where}: ${read.problems[0]!.says}`);
  return read.value;
}

export const pineMarten = sound(readPiece(martenFile));
/** The same marten half done: its log is made by cli/begin-demo.ts. */
export const pineMartenBegun = sound(
  readPiece({ ...martenFile, id: 'pine-marten-begun', name: 'Half-done pine marten', log: martenLog }),
);
export const alpacaCria = sound(readPiece(criaFile));
export const kingfisher = sound(readPiece(kingfisherFile));
export const brownHare = sound(readPiece(hareFile));
export const cupboard = sound(readCupboard(cupboardFile));
