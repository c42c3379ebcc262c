'use client';
/** One kind of thing in the cupboard: its heading, a button to add one, and each with its fields. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { z } from 'zod';
import { freshId } from '@/desk/files';
import { Fields } from '@/ui/parts/Fields';

interface Thing {
  readonly id: string;
  readonly name: string;
}

interface StockProps<O extends z.ZodObject> {
  /** The word its ids begin with. */
  readonly word: string;
  readonly title: string;
  readonly add: string;
  /** What is said while there is none. */
  readonly none: string;
  readonly things: readonly (z.output<O> & Thing)[];
  readonly schema: O;
  readonly keys: (thing: z.output<O>) => readonly (keyof z.output<O> & string)[];
  readonly onAdd: (id: string) => void;
  readonly onChange: (id: string, change: Partial<z.output<O>>) => void;
  readonly onRemove: (id: string) => void;
}

export function Stock<O extends z.ZodObject>(p: StockProps<O>) {
  const heading = `c-${p.word}`;
  return (
    <Box component="section" aria-labelledby={heading} sx={{ mt: 3 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 1 }}>
        <Typography id={heading} variant="h2">
          {p.title}
        </Typography>
        <Button onClick={() => p.onAdd(freshId(p.word))}>{p.add}</Button>
      </Box>
      {p.things.length === 0 && <Typography>{p.none}</Typography>}
      {p.things.map((x) => (
        <Box
          key={x.id}
          role="group"
          aria-label={x.name}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 240px), 1fr))',
            columnGap: 2,
            alignItems: 'center',
            borderBottom: 1,
            borderColor: 'divider',
            pb: 1,
          }}
        >
          <Fields schema={p.schema} value={x} keys={p.keys(x)} onChange={(change) => p.onChange(x.id, change)} />
          <Button
            variant="text"
            aria-label={`Remove ${x.name}`}
            onClick={() => p.onRemove(x.id)}
            sx={{ justifySelf: 'start' }}
          >
            Remove
          </Button>
        </Box>
      ))}
    </Box>
  );
}
