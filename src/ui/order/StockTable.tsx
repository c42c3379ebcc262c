'use client';
/** Wool the piece takes from every lot: needed, at hand, short, and what it costs. */
import { USE_WORDS } from '@/core/stock/stock';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDesk } from '@/desk/store';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { Patch } from '@/ui/parts/Patch';

export function StockTable() {
  const stock = useDesk((s) => s.plan?.stock);
  const findings = useFindings();
  const { q, span } = useUnits();
  if (!stock || stock.lots.length + stock.unchosen.length === 0) return null;
  return (
    <Box component="section" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Wool from the cupboard
      </Typography>
      <FindingList findings={findings.filter((f) => f.stage === 'stock')} />
      <Table
        caption="Wool from the cupboard"
        wide={false}
        head={['Wool', '=needed', '=between', '=used', '=at hand', '=short', '=cost']}
      >
        {stock.lots.map((l) => (
          <tr key={l.lotId}>
            <th scope="row">
              <Patch hex={l.colour} wide={14} high={14} label={null} sx={{ mr: 1, verticalAlign: '-2px' }} />
              {l.name}
            </th>
            <td className="n">{q({ kind: 'mass', value: l.needG })}</td>
            <td className="n">{span(l.span, 'mass')}</td>
            <td className="n">{l.usedG > 0 ? q({ kind: 'mass', value: l.usedG }) : ''}</td>
            <td className="n">{q({ kind: 'mass', value: l.haveG })}</td>
            <td className="n">{l.shortG > 0 ? q({ kind: 'mass', value: l.shortG }) : 'no'}</td>
            <td className="n">{l.cost ? q(l.cost) : 'no price'}</td>
          </tr>
        ))}
        {stock.unchosen.map((u) => (
          <tr key={u.for}>
            <th scope="row">Not chosen yet, for {USE_WORDS[u.for]}</th>
            <td className="n">{q({ kind: 'mass', value: u.massG })}</td>
            <td className="n" colSpan={5} />
          </tr>
        ))}
      </Table>
    </Box>
  );
}
