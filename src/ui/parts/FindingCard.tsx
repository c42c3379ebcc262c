'use client';
/** A finding: what it is, why, and its remedies with their effect, each one press. */
import Box from '@mui/material/Box';
import type { Finding } from '@/core/stage';
import { applyRemedy } from '@/desk/store';
import { useUnits } from './useUnits';
import { EditButton } from '@/ui/parts/Editable';

const WORDS = { stop: 'Stop', caution: 'Caution', note: 'Note' } as const;
const COLOUR = { stop: 'error.main', caution: 'warning.main', note: 'text.secondary' } as const;

export function FindingCard({ finding }: { finding: Finding }) {
  const { t } = useUnits();
  return (
    <Box
      component="article"
      aria-label={`${WORDS[finding.severity]}: ${t(finding.says)}`}
      sx={{
        borderLeft: 4,
        borderColor: COLOUR[finding.severity],
        bgcolor: 'action.hover',
        p: 1.25,
        my: 1,
        fontSize: 13,
        lineHeight: 1.4,
      }}
    >
      <Box component="b" sx={{ color: COLOUR[finding.severity], mr: 0.75 }}>
        {WORDS[finding.severity]}
      </Box>
      <b>{t(finding.says)}</b> {t(finding.why)}
      {finding.remedies.map((r, i) => (
        <EditButton
          key={i}
          onClick={() => applyRemedy(r.changes)}
          sx={{
            mt: 0.75,
            display: 'block',
            width: '100%',
            textAlign: 'left',
            lineHeight: 1.3,
            py: 0.5,
            bgcolor: 'background.paper',
          }}
        >
          {t(r.label)}
          <Box component="span" sx={{ fontWeight: 400, ml: 0.75 }}>
            {t(r.effect)}
          </Box>
        </EditButton>
      ))}
    </Box>
  );
}
