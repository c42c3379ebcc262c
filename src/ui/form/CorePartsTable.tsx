'use client';
/** Every part of the core in a line: wool with its range, what to start from, length to make, thickness at its marks. */
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';

export function CorePartsTable() {
  const core = useDesk((s) => s.plan?.core);
  const chosen = useDesk((s) => s.view.partId);
  const { q, span } = useUnits();
  // An own base is there already: nothing of it is weighed out and made.
  if (!core || core.there) return null;
  return (
    <Box
      component="section"
      aria-label="Parts of the core"
      tabIndex={0}
      sx={{
        height: 236,
        flexShrink: 0,
        overflow: 'auto',
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        px: 2,
      }}
    >
      <Table
        caption="Parts of the core"
        head={['Part', '=Wool', '=between', '=Start from', '=Make it long', '=Core across']}
      >
        {core.parts.map((p) => (
          <Box
            component="tr"
            key={p.id}
            onClick={() => setView({ partId: p.id })}
            sx={{ cursor: 'pointer', bgcolor: p.id === chosen ? 'action.selected' : undefined, fontSize: 13 }}
          >
            <th scope="row">
              {p.name}
              {p.count === 2 ? ', 2 alike' : ''}
              {p.madeApart ? ', made apart' : ''}
            </th>
            <td className="n">
              {p.count === 2 ? '2 × ' : ''}
              {q(p.mass)}
            </td>
            <td className="n">{span(p.span, 'mass')}</td>
            <td className="n">{q(p.loose)}</td>
            <td className="n">{p.length ? q(p.length) : q({ kind: 'length', value: p.axisMm })}</td>
            <td className="n">
              {p.sections.length === 0
                ? ''
                : p.sections
                    .map((s) => (s.core ? q({ kind: 'length', value: (s.core.width + s.core.height) / 2 }) : 'fur'))
                    .join(', ')}
            </td>
          </Box>
        ))}
        {core.collarsG > 0 && (
          <Box component="tr" sx={{ fontSize: 13 }}>
            <th scope="row">Collars over the joints</th>
            <td className="n">{q({ kind: 'mass', value: core.collarsG })}</td>
            <td colSpan={4} />
          </Box>
        )}
        <Box component="tr" sx={{ fontSize: 13, fontWeight: 700 }}>
          <th scope="row">All of it</th>
          <td className="n">{q({ kind: 'mass', value: core.massG })}</td>
          <td className="n">{span(core.span, 'mass')}</td>
          <td colSpan={3} />
        </Box>
      </Table>
    </Box>
  );
}
