'use client';
/** Everything in the cupboard beside wool: needles, wire and pipe cleaners, eyes bought ready, whisker thread. */
import { needleSchema, stockEyeSchema, threadSchema, wireSchema, type Cupboard } from '@/core/piece/cupboard';
import { newEyes, newNeedle, newThread, newWire } from '@/core/piece/new-stock';
import { editCupboard, useDesk } from '@/desk/store';
import { changeNeedle, removeNeedle } from '@/ui/needles/needle-store';
import { Stock } from './Stock';

/** Changes to one of the lists of the cupboard, as one step to undo each. */
function changes<K extends 'wires' | 'eyes' | 'threads'>(list: K) {
  type Thing = Cupboard[K][number];
  const of = (d: Cupboard) => d[list] as Thing[];
  return {
    onChange: (id: string, change: Partial<Thing>) =>
      editCupboard((d) => {
        const x = of(d).find((y) => y.id === id);
        if (x) Object.assign(x, change);
      }),
    onRemove: (id: string) => editCupboard((d) => void Object.assign(d, { [list]: of(d).filter((x) => x.id !== id) })),
  };
}

const WIRES = changes('wires');
const EYES = changes('eyes');
const THREADS = changes('threads');

export function Stocks() {
  const { needles, wires, eyes, threads } = useDesk((s) => s.cupboard);
  return (
    <>
      <Stock
        word="needle"
        title="Needles"
        add="Add a needle"
        none="No needles yet. Fur is rooted with a crown needle or the finest regular one you own."
        things={needles}
        schema={needleSchema}
        keys={() => ['section', 'gauge', 'count']}
        onAdd={(id) => editCupboard((d) => void d.needles.push(newNeedle(id)))}
        onChange={changeNeedle}
        onRemove={removeNeedle}
      />
      <Stock
        word="wire"
        title="Wire"
        add="Add wire"
        none="No wire yet. A hand-sized animal takes about a metre of 1.0 to 1.6 mm."
        things={wires}
        schema={wireSchema}
        keys={() => ['name', 'kind', 'metal', 'diameterMm', 'haveMm']}
        onAdd={(id) => editCupboard((d) => void d.wires.push(newWire(id)))}
        {...WIRES}
      />
      <Stock
        word="eye"
        title="Eyes"
        add="Add eyes"
        none="No eyes yet. Hand-sized animals take stems of 3 to 5 mm, or small beads."
        things={eyes}
        schema={stockEyeSchema}
        keys={(e) => [
          'name',
          'kind',
          'diameterMm',
          'count',
          ...(e.kind === 'stem' ? (['stemMm', 'stemThickMm'] as const) : []),
          'colour',
        ]}
        onAdd={(id) => editCupboard((d) => void d.eyes.push(newEyes(id)))}
        {...EYES}
        onChange={(id, change) => EYES.onChange(id, change.kind === 'bead' ? { ...change, stemMm: 0 } : change)}
      />
      <Stock
        word="thread"
        title="Whisker thread"
        add="Add thread"
        none="No thread yet. Nylon of 0.15 to 0.3 mm, or horsehair, makes whiskers."
        things={threads}
        schema={threadSchema}
        keys={() => ['name', 'kind', 'thickMm', 'haveMm', 'colour']}
        onAdd={(id) => editCupboard((d) => void d.threads.push(newThread(id)))}
        {...THREADS}
      />
    </>
  );
}
