'use client';
/** Order: what to do first and next, with wool, cut, passes, needle and minutes, and why it stands where it stands. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDesk } from '@/desk/store';
import { FindingCard } from '@/ui/parts/FindingCard';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';

export function OrderStage() {
  const plan = useDesk((s) => s.plan);
  const { q, t } = useUnits();
  if (!plan)
    return (
      <Box component="main" sx={{ p: 3 }}>
        The order appears when the coat has been worked out.
      </Box>
    );
  const done = (areaId: string, kind: string) => {
    const a = plan.log.areas.find((x) => x.areaId === areaId);
    return kind === 'lay' && a !== undefined && a.rows > 0 && a.nextRow === null;
  };
  return (
    <Box component="main" tabIndex={0} sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper' }}>
      <Box sx={{ maxWidth: 1180, mx: 'auto', px: 3, py: 2 }}>
        <Typography variant="h2" component="h2">
          Order of the work
        </Typography>
        <Typography sx={{ fontSize: 18, my: 1 }}>
          {plan.work.steps.length === 0 ? (
            'Nothing to do yet: give an area a way of laying first.'
          ) : (
            <>
              <b>{plan.work.steps.length} steps</b>, about <b>{q({ kind: 'time', value: plan.work.minutes })}</b>,{' '}
              <b>{q({ kind: 'mass', value: plan.stock.needG })}</b> of wool
              {plan.stock.cost > 0 ? (
                <>
                  {' '}
                  for <b>{q({ kind: 'money', value: plan.stock.cost })}</b>
                </>
              ) : null}
              . Hem first, low areas before those that hang over them, pale before dark where nothing else decides.
            </>
          )}
        </Typography>
        {plan.findings
          .filter((f) => f.stage === 'order')
          .map((f) => (
            <FindingCard key={f.id} finding={f} />
          ))}
        {plan.work.steps.length > 0 && (
          <Table caption="Steps in order" head={['=Step', 'What to do', '=Cut', '=Wool', 'Passes and needle', '=Time']}>
            {plan.work.steps.map((s) => {
              const o = s.operation;
              const why = s.because.filter((b) => b.id.startsWith('lay-'));
              return (
                <Box component="tr" key={o.id} sx={{ opacity: done(o.areaId, o.kind) ? 0.6 : 1 }}>
                  <td className="n">{s.number}</td>
                  <Box component="th" scope="row" sx={{ maxWidth: 380 }}>
                    <Box sx={{ fontWeight: o.kind === 'lay' ? 700 : 400 }}>
                      {t(o.does)}
                      {done(o.areaId, o.kind) && (
                        <Box component="span" sx={{ color: 'success.main', ml: 1 }}>
                          ✓ done
                        </Box>
                      )}
                    </Box>
                    {why.length > 0 && o.kind === 'lay' && (
                      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
                        After: {why.map((b) => t(b.why)).join(' ')}
                      </Box>
                    )}
                  </Box>
                  <td className="n">{o.cutLengthMm === null ? '' : q({ kind: 'length', value: o.cutLengthMm })}</td>
                  <td className="n">{o.massG > 0 ? q({ kind: 'mass', value: o.massG }) : ''}</td>
                  <Box component="td" sx={{ fontSize: '13px !important', width: '38%' }}>
                    {o.passes && `${t(o.passes)}. `}
                    {o.needle
                      ? `${t(o.needle)}. `
                      : o.kind === 'lay'
                        ? 'No needle in the cupboard can root fur. '
                        : o.kind === 'core'
                          ? 'No needle in the cupboard can felt a core. '
                          : ''}
                    {o.caution && (
                      <Box component="span" sx={{ color: 'warning.main' }}>
                        {t(o.caution)}
                      </Box>
                    )}
                  </Box>
                  <td className="n">{q({ kind: 'time', value: o.minutes })}</td>
                </Box>
              );
            })}
          </Table>
        )}
        <StockTable />
      </Box>
    </Box>
  );
}

function StockTable() {
  const stock = useDesk((s) => s.plan?.stock);
  const findings = useDesk((s) => s.plan?.findings);
  const { q } = useUnits();
  if (!stock || stock.lots.length === 0) return null;
  return (
    <Box component="section" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Wool from the cupboard
      </Typography>
      {(findings ?? [])
        .filter((f) => f.stage === 'stock')
        .map((f) => (
          <FindingCard key={f.id} finding={f} />
        ))}
      <Table caption="Wool from the cupboard" wide={false} head={['Wool', '=needed', '=at hand', '=short', '=cost']}>
        {stock.lots.map((l) => (
          <tr key={l.lotId}>
            <th scope="row">
              <Box
                component="span"
                sx={{
                  display: 'inline-block',
                  width: 14,
                  height: 14,
                  bgcolor: l.colour,
                  border: 1,
                  borderColor: 'text.secondary',
                  mr: 1,
                  verticalAlign: '-2px',
                }}
              />
              {l.name}
            </th>
            <td className="n">{q({ kind: 'mass', value: l.needG })}</td>
            <td className="n">{q({ kind: 'mass', value: l.haveG })}</td>
            <td className="n">{l.shortG > 0 ? q({ kind: 'mass', value: l.shortG }) : 'no'}</td>
            <td className="n">{l.cost ? q(l.cost) : 'no price'}</td>
          </tr>
        ))}
      </Table>
    </Box>
  );
}
