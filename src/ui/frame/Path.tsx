'use client';
/** The path: the stages in the order of the work, each with its count of what is still to be decided. */
import Box from '@mui/material/Box';
import { toDecide } from '@/core/known-findings';
import { useDesk } from '@/desk/store';
import { useFindings } from '@/ui/parts/useFindings';
import { placeOfFinding } from './finding-place';
import { FindingsButton } from './FindingsButton';
import { STAGES } from './stages';
import { figures } from './theme';
import { useHere } from './way';
import { Strip } from './Strip';
import { WayTo } from './WayTo';

export function Path({ id }: { id: string }) {
  const here = useHere() ?? '';
  const piece = useDesk((s) => s.piece);
  const findings = useFindings();
  return (
    <Strip label="Stages" inHand={here} end={<FindingsButton />}>
      {STAGES.map((s, i) => {
        const found = findings.filter((f) => toDecide(f) && piece && placeOfFinding(f, piece).stage === s.path);
        const stop = found.some((f) => f.severity === 'stop');
        const on = here.endsWith(`/${s.path}`);
        return (
          <Box
            key={s.path}
            component={WayTo}
            href={`/piece/${id}/${s.path}`}
            aria-current={on ? 'page' : undefined}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 0.75,
              px: 1.25,
              mr: 0.5,
              flexShrink: 0,
              height: 38,
              textDecoration: 'none',
              color: on ? 'text.primary' : 'text.secondary',
              fontWeight: on ? 700 : 400,
              borderBottom: 3,
              borderColor: on ? 'primary.main' : 'transparent',
              '&:hover': { color: 'text.primary' },
            }}
          >
            <Box component="span" sx={{ ...figures, fontSize: 13, fontWeight: 400 }}>
              {i + 1}
            </Box>
            {s.name}
            {found.length > 0 && (
              <Box
                component="span"
                aria-label={`${found.length} to decide`}
                role="img"
                sx={{
                  ...figures,
                  fontSize: 13,
                  lineHeight: '18px',
                  px: 0.6,
                  border: 1,
                  borderRadius: '3px',
                  borderColor: 'currentcolor',
                  color: stop ? 'error.main' : 'warning.main',
                }}
              >
                {stop ? '×' : '!'}
                {found.length}
              </Box>
            )}
          </Box>
        );
      })}
    </Strip>
  );
}
