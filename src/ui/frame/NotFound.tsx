'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { PlainPage } from './PlainPage';
import { TextLink } from './TextLink';

export function NotFound() {
  return (
    <PlainPage title="There is nothing here">
      <Box sx={{ p: 3 }}>
        <Typography>
          The address does not lead to a screen. <TextLink href="/">Go to the shelf</TextLink>
        </Typography>
      </Box>
    </PlainPage>
  );
}
