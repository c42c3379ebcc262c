'use client';
/** The rows of an area as a table: one pressed is lit on chart and animal too. */
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useMemo, useRef } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { rowList } from '@/core/coat/rows/row-list';
import { wayOf } from '@/core/coat/ways';
import { setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { useOld } from '@/ui/parts/Figures';
import { useUnits } from '@/ui/parts/useUnits';

export function RowTable({ area }: { area: AreaPlan }) {
  const list = useMemo(() => rowList(area), [area]);
  const inHand = useDesk((s) => s.view.row);
  const { q, t } = useUnits();
  const old = useOld();
  const line = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    line.current?.scrollIntoView({ block: 'nearest' });
  }, [inHand]);
  const way = area.fur ? wayOf(area.fur.method) : null;
  const pieces = list.some((r) => r.pieces !== null);
  const cuts = new Set(list.map((r) => r.cutMm)).size > 1;
  const one = area.fur?.chart.dress.unit.one ?? 'row';
  return (
    <Box sx={{ height: '100%', overflow: 'auto' }} tabIndex={0} role="region" aria-label={`Rows of ${area.name}`}>
      <Box
        component="table"
        {...old}
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          fontSize: 13,
          '& th, & td': { textAlign: 'right', fontWeight: 400, px: 0.75, py: 0.25, whiteSpace: 'nowrap', ...figures },
          '& th:last-of-type, & td:last-of-type': {
            textAlign: 'left',
            whiteSpace: 'normal',
            width: '45%',
            fontFamily: 'var(--font-text)',
            wordSpacing: 0,
          },
          '& thead th': {
            position: 'sticky',
            top: 0,
            bgcolor: 'background.paper',
            color: 'text.secondary',
            fontFamily: 'var(--font-text)',
            wordSpacing: 0,
            zIndex: 1,
          },
        }}
      >
        <thead>
          <tr>
            <th scope="col">{one}</th>
            <th scope="col">long</th>
            {cuts && <th scope="col">cut</th>}
            {pieces && <th scope="col">{way?.counts}</th>}
            <th scope="col">wool</th>
            <th scope="col">up to it</th>
            <th scope="col">to know</th>
          </tr>
        </thead>
        <tbody>
          {list.map((r) => (
            <Box
              component="tr"
              key={r.number}
              ref={r.number === inHand ? line : undefined}
              onClick={() => setView({ row: r.number })}
              sx={{ cursor: 'pointer', bgcolor: r.number === inHand ? 'action.selected' : undefined }}
            >
              <th scope="row">
                <ButtonBase
                  data-inline=""
                  aria-pressed={r.number === inHand}
                  aria-label={`${one} ${r.number}`}
                  sx={{ font: 'inherit', fontWeight: 700, color: 'primary.main', minWidth: 24, minHeight: 24 }}
                >
                  {r.number}
                </ButtonBase>
              </th>
              <td>{q({ kind: 'length', value: r.lengthMm })}</td>
              {cuts && <td>{q({ kind: 'length', value: r.cutMm! })}</td>}
              {pieces && <td>{r.pieces}</td>}
              <td>{q({ kind: 'mass', value: r.massG })}</td>
              <td>{q({ kind: 'mass', value: r.upToG })}</td>
              <td>{r.special.map((s) => t(s)).join('; ')}</td>
            </Box>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
