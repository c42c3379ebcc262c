'use client';
/** What is set apart from what stands round it: a sheet with a title, a group under a rule, a note along a bar, words on a picture. */
import Box, { type BoxProps } from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useId } from 'react';

const SHEET = { bgcolor: 'background.paper', border: 1, borderColor: 'divider' } as const;

type Part = Omit<BoxProps, 'title'> & { readonly title?: string };

/** A sheet of paper on the ground; with a title it is a section of the page. */
export function Panel({ title, children, sx, ...more }: Part) {
  const id = useId();
  return (
    <Box {...(title ? { component: 'section', 'aria-labelledby': id } : {})} {...more} sx={{ ...SHEET, p: 2.5, ...sx }}>
      {title && (
        <Typography id={id} variant="h2" sx={{ mb: 1 }}>
          {title}
        </Typography>
      )}
      {children}
    </Box>
  );
}

/** Fields that belong together, under a rule. */
export function Ruled({ title, children, sx, ...more }: Part) {
  return (
    <Box
      {...(more['aria-label'] || title ? { role: 'group', 'aria-label': title } : {})}
      {...more}
      sx={{ mt: 1, borderTop: 1, borderColor: 'divider', pt: 1, ...sx }}
    >
      {title && <Typography variant="h3">{title}</Typography>}
      {children}
    </Box>
  );
}

/** Fields that go with the one above them, set in along a line. */
export const SetIn = ({ sx, ...more }: BoxProps) => (
  <Box role="group" {...more} sx={{ borderLeft: 2, borderColor: 'divider', pl: 1, my: 0.5, ...sx }} />
);

/** A few words that must not be passed over, along a bar of the colour of what they say. */
export const BarNote = ({ of, sx, ...more }: BoxProps & { of: 'warning' | 'error' }) => (
  <Box role="note" {...more} sx={{ fontSize: 13, my: 0.75, borderLeft: 4, borderColor: `${of}.main`, pl: 1, ...sx }} />
);

/** A small sheet lying on a picture. */
export const OnPicture = ({ sx, ...more }: BoxProps) => (
  <Box {...more} sx={{ ...SHEET, position: 'absolute', borderRadius: '3px', p: 1, fontSize: 13, ...sx }} />
);

/** Words in place of a picture there is not. */
export const InsteadOfPicture = ({ sx, ...more }: BoxProps) => (
  <Box {...more} sx={{ ...SHEET, p: 2, maxWidth: 400, ...sx }} />
);
