'use client';
/** A finding: what it is, why, its remedies with their effect, each one press, and folding it away with a reason or without. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { withKnown, type Judged } from '@/core/known-findings';
import { editPiece } from '@/desk/store';
import { takeRemedy } from '@/desk/take-remedy';
import { EditButton, useEditable } from '@/ui/parts/Editable';
import { useUnits } from './useUnits';

const WORDS = { stop: 'Stop', caution: 'Caution', note: 'Note' } as const;
const COLOUR = { stop: 'error.main', caution: 'warning.main', note: 'text.secondary' } as const;

interface FindingCardProps {
  readonly finding: Judged;
  /** What else can be done with it, as going where it is answered. */
  readonly more?: ReactNode;
  readonly onFolded?: () => void;
}

export function FindingCard({ finding, more, onFolded }: FindingCardProps) {
  const { t } = useUnits();
  return (
    <Box
      component="article"
      aria-label={`${WORDS[finding.severity]}: ${t(finding.says)}`}
      sx={{
        borderLeft: 4,
        borderColor: finding.known ? 'divider' : COLOUR[finding.severity],
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
          onClick={() => takeRemedy(finding.id, r)}
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
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, mt: 0.75, alignItems: 'center' }}>
        {more}
        {finding.known ? (
          <OpenAgain finding={finding} reason={finding.known.reason} />
        ) : (
          <IKnow finding={finding} onFolded={onFolded} />
        )}
      </Box>
    </Box>
  );
}

function OpenAgain({ finding, reason }: { finding: Judged; reason: string }) {
  return (
    <>
      <EditButton
        variant="text"
        onClick={() => editPiece((d) => void (d.known = d.known.filter((k) => k.id !== finding.id)))}
      >
        Open again
      </EditButton>
      <span>{reason === '' ? 'You know of it.' : `You know of it: ${reason}`}</span>
    </>
  );
}

/** Folds a finding away; why may be written down and need not. */
function IKnow({ finding, onFolded }: { finding: Judged; onFolded: (() => void) | undefined }) {
  const [why, setWhy] = useState<string | null>(null);
  const editable = useEditable();
  if (why === null)
    return (
      <EditButton variant="text" onClick={() => setWhy('')}>
        I know
      </EditButton>
    );
  const fold = () => {
    editPiece((d) => void (d.known = withKnown(d.known, finding, why.trim())));
    onFolded?.();
  };
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        if (editable) fold();
      }}
      sx={{ display: 'flex', gap: 0.75, flex: 1, minWidth: 220 }}
    >
      <TextField
        autoFocus
        fullWidth
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Escape') return;
          e.stopPropagation();
          setWhy(null);
        }}
        placeholder="Why, if you like"
        slotProps={{
          htmlInput: { 'aria-label': 'Why you go on with it', maxLength: 500, style: { padding: '5px 8px' } },
        }}
        sx={{ bgcolor: 'background.paper' }}
      />
      <EditButton type="submit">Fold away</EditButton>
    </Box>
  );
}
