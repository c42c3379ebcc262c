/** Every way of laying, in the order they are offered. */
import type { Laid } from '@/core/piece/coat';
import { bows } from './bows';
import { foldOver } from './fold-over';
import { locks } from './locks';
import { pieces } from './pieces';
import { sheet } from './sheet';
import { standing } from './standing';
import { strip } from './strip';
import { velvet } from './velvet';
import type { Way } from './way';
import { wisps } from './wisps';

export const WAYS: readonly Way[] = [
  foldOver,
  standing,
  locks,
  bows,
  strip,
  wisps,
  pieces,
  sheet,
  velvet,
] as unknown as readonly Way[];

const byMethod = new Map(WAYS.map((w) => [w.method, w]));

/** @throws when there is no such way, which the schema rules out */
export function wayOf(method: Laid['method']): Way {
  const w = byMethod.get(method);
  if (!w) throw new Error(`no way of laying is called ${method}`);
  return w;
}
