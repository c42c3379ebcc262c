'use client';
/** The rack: a needle's measures and how to take them with a rule, holders, counting before and after, breakages. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { holderSchema, needleSchema, type Needle } from '@/core/piece/cupboard';
import { usualNeedle } from '@/core/piece/usual-needle';
import { workSchema } from '@/core/piece/work';
import type { Judged } from '@/core/known-findings';
import { freshId } from '@/desk/files';
import { editCupboard, editPiece, setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { UnderPicture } from '@/ui/frame/UnderPicture';
import { Fields } from '@/ui/parts/Fields';
import { FindingList } from '@/ui/parts/FindingList';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { changeNeedle, editNeedle, removeNeedle, useRack } from './needle-store';
import { Breakages, Counting } from './NeedleCare';
import { NeedleShape } from './NeedleShape';
import { RackList } from './RackList';
import { RackPicture } from './RackPicture';
import { CHOSEN } from '@/ui/pictures/colours';
import { Ruled } from '@/ui/parts/Panel';

export function RackRoom({ findings }: { findings: readonly Judged[] }) {
  const { inHand } = useRack();
  return (
    <ThreeColumns
      of={['needles']}
      list="Rack"
      left={<RackList />}
      middle={
        <>
          <RackPicture />
          <UnderPicture label="How to measure a needle">
            {inHand ? <HowToMeasure needle={inHand} /> : <Box />}
          </UnderPicture>
        </>
      }
      right={
        <>
          <Typography variant="h2">{inHand?.name ?? 'Rack'}</Typography>
          <FindingList findings={findings} />
          <School />
          {inHand && <NeedleFields key={inHand.id} needle={inHand} />}
          <Holders />
          <Counting />
          <Breakages />
        </>
      }
    />
  );
}

/** Coarse to fine, or one fine needle. */
function School() {
  const work = useDesk((s) => s.piece!.work);
  const needles = useDesk((s) => s.cupboard.needles);
  return (
    <Box sx={{ my: 1 }}>
      <Fields
        schema={workSchema}
        value={work}
        keys={['needles']}
        onChange={(change) => editPiece((d) => void Object.assign(d.work, change))}
      />
      <Box sx={{ fontSize: 13, mt: 0.75, color: 'text.secondary' }}>
        {work.needles === 'coarse to fine'
          ? 'Finer as the wool gets denser and nearer the surface: quicker, with needles changed on the way.'
          : 'One fine needle wherever it can do the work: slower in the core, few marks, hardly a change.'}
      </Box>
      {work.needles === 'one fine needle' && (
        <PickField
          label="Which one"
          value={work.oneNeedleId ?? 'finest'}
          options={[
            { value: 'finest', says: 'the finest ordinary one' },
            ...needles.filter((n) => n.section !== 'reverse').map((n) => ({ value: n.id, says: n.name })),
          ]}
          onChange={(v) => editPiece((d) => void (d.work.oneNeedleId = v === 'finest' ? null : v))}
        />
      )}
    </Box>
  );
}

function NeedleFields({ needle: n }: { needle: Needle }) {
  return (
    <Ruled aria-label="Measures of the needle">
      <Fields
        schema={needleSchema}
        value={n}
        keys={['name', 'gauge', 'section', 'count', 'tipMm', 'thickMm', 'bladeMm', 'barbs', 'gapMm', 'measured']}
        onChange={(change) => changeNeedle(n.id, change)}
      />
      <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', mt: 0.5 }}>
        <Button onClick={() => editNeedle(n.id, (x) => void Object.assign(x, usualNeedle(x)))}>Usual measures</Button>
        <Button
          onClick={() => {
            removeNeedle(n.id);
            setView({ needleId: null });
          }}
        >
          Take out of the rack
        </Button>
      </Box>
    </Ruled>
  );
}

/** The needle laid along a rule, with what to read off. */
function HowToMeasure({ needle: n }: { needle: Needle }) {
  const { q } = useUnits();
  const long = n.bladeMm + 14;
  const px = long / 350;
  const level = n.section === 'crown';
  const reads: [number, number, string][] = [
    [0, n.tipMm, 'point to first barb'],
    ...(level ? [] : ([[n.tipMm, n.tipMm + n.gapMm, 'barb to barb, one edge']] as [number, number, string][])),
    [0, n.bladeMm, 'usable blade'],
  ];
  return (
    <Box sx={{ display: 'flex', gap: 3, width: '100%', minWidth: 0, fontSize: 13 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <svg
          width="100%"
          height="190"
          viewBox={`-1 -9 ${long + 2} 17`}
          role="img"
          aria-label={`${n.name} along a rule`}
        >
          <g transform="rotate(90)">
            <NeedleShape needle={n} px={px} />
          </g>
          {Array.from({ length: Math.floor(long) + 1 }, (_, i) => (
            <line
              key={i}
              x1={i}
              x2={i}
              y1={3}
              y2={i % 10 === 0 ? 5.2 : i % 5 === 0 ? 4.6 : 4}
              stroke="currentColor"
              strokeWidth={0.9 * px}
            />
          ))}
          {Array.from({ length: Math.floor(long / 10) + 1 }, (_, i) => (
            <text key={i} x={10 * i} y={7.2} fontSize={13 * px} textAnchor="middle" fill="currentColor">
              {10 * i}
            </text>
          ))}
          {reads.map(([a, b, words], i) => (
            <g key={words} stroke={CHOSEN} fill="none" strokeWidth={1.1 * px}>
              <path d={`M${a} ${-2 - 2.3 * i}v-1.1M${b} ${-2 - 2.3 * i}v-1.1M${a} ${-2.6 - 2.3 * i}H${b}`} />
              <text x={b + 0.6} y={-2.2 - 2.3 * i} fontSize={13 * px} fill="currentColor" stroke="none">
                {words} {q({ kind: 'fine', value: b - a })}
              </text>
            </g>
          ))}
        </svg>
      </Box>
      <Box sx={{ width: 260, flexShrink: 0 }}>
        <b>With a rule</b>
        <Box component="ol" sx={{ pl: 2.25, my: 0.5, '& li': { mb: 0.4 } }}>
          <li>Lay the point against the zero of the rule.</li>
          <li>Draw a thread along an edge: it catches at the first barb, then at the next.</li>
          <li>Read where the blade grows thicker; its thickness with callipers, or ten side by side.</li>
        </Box>
        Barbs are sharp: hold the shank, never the blade.
      </Box>
    </Box>
  );
}

function Holders() {
  const holders = useDesk((s) => s.cupboard.holders);
  const { needles, inHand } = useRack();
  return (
    <Ruled aria-label="Holders">
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="h3">Holders</Typography>
        <Button
          disabled={!inHand}
          onClick={() =>
            editCupboard((d) => {
              d.holders.push({
                id: freshId('holder'),
                name: `Holder ${d.holders.length + 1}`,
                needleId: inHand!.id,
                needles: Math.max(2, Math.min(3, inHand!.count)),
              });
            })
          }
        >
          Add a holder
        </Button>
      </Box>
      {holders.length === 0 && (
        <Box sx={{ fontSize: 13 }}>None. Several needles in one handle speed up broad flat work.</Box>
      )}
      {holders.map((h) => {
        return (
          <Box key={h.id} role="group" aria-label={h.name} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.5 }}>
            <Fields
              schema={holderSchema}
              value={h}
              keys={['name', 'needleId', 'needles']}
              onChange={(change) =>
                editCupboard((d) => {
                  const x = d.holders.find((y) => y.id === h.id);
                  if (x) Object.assign(x, change);
                })
              }
            />
            {h.needles > (needles.find((n) => n.id === h.needleId)?.count ?? 0) && (
              <Box sx={{ fontSize: 13, color: 'warning.main' }}>
                More than you own: it is not planned with until they are there.
              </Box>
            )}
            <Button onClick={() => editCupboard((d) => void (d.holders = d.holders.filter((x) => x.id !== h.id)))}>
              Take away
            </Button>
          </Box>
        );
      })}
    </Ruled>
  );
}
