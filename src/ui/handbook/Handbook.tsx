'use client';
/** The handbook: the words used, then every formula the plan uses, with its letters, units and source. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { GLOSSARY } from '@/core/glossary';
import { methods } from '@/core/methods';
import { PlainPage } from '@/ui/frame/PlainPage';
import { Working } from '@/ui/parts/Opened';
import { Panel } from '@/ui/parts/Panel';

export function Handbook() {
  return (
    <PlainPage title="Handbook">
      <Typography sx={{ mb: 2, maxWidth: 720 }}>
        How every figure is worked out. Open a figure on a docket to see the same formula with the numbers of your
        piece. Millimetres, grams, degrees and minutes throughout.
      </Typography>
      <Panel title="Words" sx={{ p: 2, mb: 2 }}>
        <Box
          component="dl"
          sx={{
            m: 0,
            columns: { xs: 1, sm: 2, md: 3 },
            columnGap: 3,
            '& > div': { breakInside: 'avoid', py: 0.5 },
            '& dt': { fontWeight: 700 },
            '& dd': { m: 0, fontSize: 13 },
          }}
        >
          {GLOSSARY.map((w) => (
            <div key={w.word}>
              <dt>{w.word}</dt>
              <dd>{w.says}</dd>
            </div>
          ))}
        </Box>
      </Panel>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, alignItems: 'start' }}>
        {methods.map((m) => (
          <Panel key={m.id} id={m.id} title={m.title} sx={{ p: 2 }}>
            <Working method={m.id} />
          </Panel>
        ))}
      </Box>
      <Typography sx={{ mt: 3, maxWidth: 720 }}>
        Felting needles are barbed and break: eyes on the point, fingers flat or guarded, count them, never leave one in
        the piece. Raw fleece carries dirt and germs: gloves, outdoors, wash hands. A realistic piece is a display
        piece, not a toy for a small child; what may be sold as a toy is decided by the toy-safety rules where it is
        sold.
      </Typography>
    </PlainPage>
  );
}
