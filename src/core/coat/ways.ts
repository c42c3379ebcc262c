/** Every way of laying, in the order they are offered. */
import type { Laid } from '@/core/piece/coat';
import { bows } from '@/core/coat/techniques/bows/bows';
import { feathers } from '@/core/coat/techniques/feathers/feathers';
import { foldOver } from '@/core/coat/techniques/fold-over/fold-over';
import { locks } from '@/core/coat/techniques/locks/locks';
import { pieces } from '@/core/coat/techniques/pieces/pieces';
import { sheet } from '@/core/coat/techniques/sheet/sheet';
import { smooth } from '@/core/coat/techniques/smooth/smooth';
import { standing } from '@/core/coat/techniques/standing/standing';
import { strip } from '@/core/coat/techniques/strip/strip';
import { velvet } from '@/core/coat/techniques/velvet/velvet';
import type { Way } from './way';
import { wisps } from '@/core/coat/techniques/wisps/wisps';

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
  smooth,
  feathers,
] as unknown as readonly Way[];

const byMethod = new Map(WAYS.map((w) => [w.method, w]));

/** @throws when there is no such way, which the schema rules out */
export function wayOf(method: Laid['method']): Way {
  const w = byMethod.get(method);
  if (!w) throw new Error(`no way of laying is called ${method}`);
  return w;
}
