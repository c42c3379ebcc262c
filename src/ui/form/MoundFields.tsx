'use client';
/** Places of a board that are raised or sunk: where, how large, how far, how softly they run out. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { boundsOf } from '@/core/piece/fields';
import { moundSchema, type Mound, type Part } from '@/core/piece/schema';
import { freeId } from '@/core/shade/judging/layer-findings';
import { changePiece } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';

type Board = Extract<Part, { shape: 'board' }>;

const MOST = 12;
const tenth = (x: number): number => Math.round(10 * x) / 10;
const thousandth = (x: number): number => Math.round(1000 * x) / 1000;

const changeMounds = (board: Board, mounds: Mound[]): void =>
  changePiece((p) => ({
    ...p,
    form: {
      ...p.form,
      parts: p.form.parts.map((x) => {
        if (x.id !== board.id || x.shape !== 'board') return x;
        const { mounds: _, ...flat } = x;
        return mounds.length > 0 ? { ...flat, mounds } : flat;
      }),
    },
  }));

export function MoundFields({ board, mmPerUnit: k }: { board: Board; mmPerUnit: number }) {
  const mounds = board.mounds ?? [];
  const set = (m: Mound, change: Partial<Mound>) =>
    changeMounds(
      board,
      mounds.map((x) => (x.id === m.id ? { ...x, ...change } : x)),
    );
  const add = () => {
    const id = freeId(mounds, 'rise');
    changeMounds(board, [
      ...mounds,
      {
        id,
        name: `Rise ${mounds.length + 1}`,
        up: thousandth(-0.5 * board.halfHeight),
        forward: 0,
        halfHeight: thousandth(0.4 * board.halfHeight),
        halfLength: thousandth(0.5 * board.halfLength),
        raise: thousandth(0.5 * board.thickness),
        soft: 0.8,
      },
    ]);
  };
  const measure = (
    m: Mound,
    key: 'up' | 'forward' | 'halfHeight' | 'halfLength' | 'raise',
    label: string,
    times: number,
    least: number,
    most: number,
  ) => {
    const { least: lo, most: hi } = boundsOf(moundSchema.shape[key]);
    const [min, max] = [Math.max(lo, least) * times * k, Math.min(hi, most) * times * k];
    return (
      <MeasureField
        label={label}
        kind="length"
        value={tenth(m[key] * times * k)}
        min={min}
        max={max}
        slide={{ min, max, step: 0.5 }}
        onChange={(v) => set(m, { [key]: thousandth(v / times / k) })}
      />
    );
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        Raised and sunk places
      </Typography>
      {mounds.map((m) => (
        <Ruled key={m.id} aria-label={m.name}>
          <Fields schema={moundSchema} value={m} keys={['name']} onChange={(change) => set(m, change)} />
          {measure(m, 'up', 'Up from its middle', 1, -board.halfHeight, board.halfHeight)}
          {measure(m, 'forward', 'Forward from its middle', 1, -board.halfLength, board.halfLength)}
          {measure(m, 'halfHeight', 'High', 2, 5, 2 * board.halfHeight)}
          {measure(m, 'halfLength', 'Long', 2, 5, 2 * board.halfLength)}
          {measure(m, 'raise', 'Raised by, less than 0 sunk', 1, -0.6 * board.thickness, 6 * board.thickness)}
          <Fields schema={moundSchema} value={m} keys={['soft']} onChange={(change) => set(m, change)} />
          <EditButton
            onClick={() =>
              changeMounds(
                board,
                mounds.filter((x) => x.id !== m.id),
              )
            }
          >
            Take {m.name} away
          </EditButton>
        </Ruled>
      ))}
      <EditButton disabled={mounds.length >= MOST} onClick={add}>
        Raise or sink a place
      </EditButton>
    </Box>
  );
}
