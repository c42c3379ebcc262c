/**
 * A plan and what it was made from as one file that Node writes and a browser reads: arrays, endless numbers and shared
 * parts as they are. (A lone minus zero becomes zero.)
 */
import type { Settings } from '../../src/desk/settings';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Packr } from 'msgpackr';

const codec = new Packr({ structuredClone: true });

export const packed = (value: unknown): Uint8Array => codec.pack(value);
export const unpacked = (bytes: Uint8Array): unknown => codec.unpack(bytes);

/** The same reader for a blank page, as the text of a script that leaves `unpacked` on the window. */
export const readerForPages = (): string =>
  `${readFileSync(join(import.meta.dirname, '../../node_modules/msgpackr/dist/index.min.js'), 'utf8')}
   const codec = new msgpackr.Unpackr({ structuredClone: true });
   window.unpacked = (bytes) => codec.unpack(bytes);`;

/** The file of a demo worked out this finely. */
export const packedName = (id: string, shape: Settings['shape']): string => `${id}-${shape}.packed`;
