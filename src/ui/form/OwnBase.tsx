'use client';
/** A scan of what is already felted, brought in as the finished animal or as its core, with an honest report. */
import { withoutParts } from '@/core/piece/without-parts';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { plainArea } from '@/core/form/area-edits';
import { formOfScan, SCAN_WAYS, uprightScan, type ScanWay } from '@/core/form/scan';
import type { Mesh } from '@/core/geometry/mesh';
import type { RepairReport } from '@/core/geometry/repair';
import { pieceSchema } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { takeBroughtScan } from '@/desk/brought';
import { readScanFile, stopScan } from '@/desk/planner';
import { changePiece, setView, useDesk } from '@/desk/store';
import { LARGEST_SCAN, likelyUnit, SCAN_FILES, SCAN_UNITS, type ScanUnit } from '@/core/form/scan-limits';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { FileButton } from '@/ui/parts/FileButton';

const bounds = pieceSchema.shape.form.shape.finishedLengthMm;

const WHY: Record<RepairReport['remade'], string | null> = {
  no: null,
  open: 'It had holes, so its skin was made anew over them.',
  tangled: 'Some edges had more than two faces, so its skin was made anew.',
  'several shells': 'It was several shells; they were made into one skin round all of them.',
  'too fine': 'It was finer than is needed and was made coarser.',
  'too coarse': 'It was too coarse for rows to run smoothly and was made finer.',
};

/** What was done, in words. */
function reportWords(r: RepairReport): string[] {
  const n = (x: number) => x.toLocaleString('en');
  return [
    `${n(r.trianglesRead)} small faces read, ${n(r.trianglesKept)} kept.`,
    ...(r.welded > 0 ? [`${n(r.welded)} corners that lay on another were joined to it.`] : []),
    ...(r.empty + r.doubled > 0 ? [`${n(r.empty)} empty and ${n(r.doubled)} doubled faces were dropped.`] : []),
    ...(r.turned > 0 ? [`${n(r.turned)} faces looked inward and were turned.`] : []),
    ...(r.openEdges > 0 ? [`${n(r.openEdges)} edges were open.`] : []),
    ...(r.crowdedEdges > 0 ? [`${n(r.crowdedEdges)} edges had more than two faces.`] : []),
    ...(r.shells > 1 ? [`It came in ${n(r.shells)} shells.`] : []),
    ...(WHY[r.remade] ? [WHY[r.remade]!] : ['It was sound: its shape was not changed.']),
  ];
}

interface Ready {
  readonly name: string;
  readonly mesh: Mesh;
  readonly report: RepairReport;
  /** Longest way across in the file's own unit. */
  readonly largest: number;
}

export function OwnBase() {
  const scan = useDesk((s) => s.piece?.form.scan ?? null);
  const [busy, setBusy] = useState<{ doing: string; share: number } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [ready, setReady] = useState<Ready | null>(null);
  const take = async (file: File) => {
    setTrouble(null);
    if (file.size > LARGEST_SCAN) return setTrouble(`${file.name} is larger than 200 MB; export a coarser scan.`);
    setBusy({ doing: 'Reading the scan', share: 0 });
    try {
      const got = await readScanFile(file, (p) => setBusy({ doing: p.doing, share: p.share }));
      if (got) {
        const mesh = { positions: got.positions, triangles: got.triangles };
        setReady({ name: file.name.slice(0, 120), mesh, report: got.report, largest: largestWay(mesh) });
      }
    } catch (e) {
      setTrouble(e instanceof Error ? e.message : String(e));
    } finally {
      setBusy(null);
    }
  };
  // One that came with a new piece is looked at first of all.
  useEffect(() => {
    void Promise.resolve(takeBroughtScan()).then((brought) => brought && take(brought));
  }, []);
  return (
    <Box sx={{ my: 1 }}>
      {scan && (
        <Box component="section" aria-label="Own base" sx={{ fontSize: 13, mb: 1 }}>
          <b>{scan.name}</b> is the {scan.role === 'core' ? 'core; the coat comes onto it' : 'finished animal'}.
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {scan.report.map((w) => (
              <li key={w}>{w}</li>
            ))}
          </Box>
          <ChoiceRow
            label="What was scanned"
            options={[
              { value: 'finished', says: 'the finished animal' },
              { value: 'core', says: 'the core' },
            ]}
            value={scan.role}
            onChange={(role) =>
              changePiece((p) => ({ ...p, form: { ...p.form, scan: p.form.scan && { ...p.form.scan, role } } }))
            }
          />
        </Box>
      )}
      <FileButton
        says={scan ? 'Bring in another scan' : 'Bring in a scan of your own base'}
        label="Scan to bring in"
        accept={SCAN_FILES}
        disabled={busy !== null}
        onFile={(file) => void take(file)}
      />
      {busy && (
        <Box role="status" sx={{ mt: 1, fontSize: 13 }}>
          {busy.doing}
          <LinearProgress variant="determinate" value={100 * busy.share} aria-label={busy.doing} sx={{ my: 0.5 }} />
          <Button onClick={stopScan}>Stop</Button>
        </Box>
      )}
      {trouble && (
        <Box role="alert" sx={{ mt: 1, fontSize: 13, color: 'error.main' }}>
          {trouble} Nothing was changed.
        </Box>
      )}
      {ready && <UseScan ready={ready} onClose={() => setReady(null)} />}
    </Box>
  );
}

function largestWay(mesh: Mesh): number {
  const lo = [Infinity, Infinity, Infinity];
  const hi = [-Infinity, -Infinity, -Infinity];
  mesh.positions.forEach((x, i) => {
    lo[i % 3] = Math.min(lo[i % 3]!, x);
    hi[i % 3] = Math.max(hi[i % 3]!, x);
  });
  return Math.max(...hi.map((h, k) => h - lo[k]!));
}

function UseScan({ ready, onClose }: { ready: Ready; onClose: () => void }) {
  const [unit, setUnit] = useState<ScanUnit>(() => likelyUnit(ready.largest));
  const [up, setUp] = useState<ScanWay>('+y');
  const [front, setFront] = useState<ScanWay>('+z');
  const [role, setRole] = useState<'finished' | 'core'>('core');
  const { q } = useUnits();
  const upright = uprightScan(ready.mesh, up, front);
  const k = SCAN_UNITS[unit];
  const size = upright && [0, 1, 2].map((a) => k * spread(upright.positions, a));
  const problem = !upright
    ? 'Up and front must be two different ways.'
    : size![2]! < bounds.minValue! || size![2]! > bounds.maxValue!
      ? `From nose to tail it would be ${q({ kind: 'length', value: size![2]! })}; it must be between ${q({ kind: 'length', value: bounds.minValue! })} and ${q({ kind: 'length', value: bounds.maxValue! })}. Choose another unit.`
      : null;
  const use = () => {
    if (!upright || problem) return;
    const mesh = { positions: upright.positions.map((x) => x * k), triangles: upright.triangles };
    changePiece((p) => ({
      ...withoutParts(p, () => true),
      form: formOfScan(p.form, mesh, {
        id: freshId('scan'),
        name: ready.name,
        role,
        report: reportWords(ready.report),
      }),
      core: { ...p.core, soft: [], under: [] },
      frame: { ...p.frame, kind: 'none' },
      flatParts: p.flatParts.map((f) => ({ ...f, seat: null })),
      areas: [
        plainArea(
          'all-over',
          'All over',
          [{ parts: ['base'] }],
          p.areas.find((a) => a.coat.method === 'fold-over')?.coat ?? { method: 'none' },
        ),
      ],
      combs: [],
    }));
    setView({ partId: null, areaId: 'all-over' });
    onClose();
  };
  const ways = SCAN_WAYS.map((w) => ({ value: w, says: w }));
  return (
    <Dialog open onClose={onClose} aria-labelledby="scan-title" fullWidth maxWidth="xs">
      <DialogTitle id="scan-title">{ready.name}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        <Box component="ul" aria-label="What was done" sx={{ m: 0, pl: 2.5, fontSize: 13 }}>
          {reportWords(ready.report).map((w) => (
            <li key={w}>{w}</li>
          ))}
        </Box>
        <PickField
          label="Unit"
          value={unit}
          options={(Object.keys(SCAN_UNITS) as ScanUnit[]).map((u) => ({ value: u, says: u }))}
          onChange={(v) => setUnit(v as ScanUnit)}
        />
        <PickField label="Up is" value={up} options={ways} onChange={(v) => setUp(v as ScanWay)} />
        <PickField label="Nose points to" value={front} options={ways} onChange={(v) => setFront(v as ScanWay)} />
        <ChoiceRow
          label="What was scanned"
          options={[
            { value: 'core', says: 'the core' },
            { value: 'finished', says: 'the finished animal' },
          ]}
          value={role}
          onChange={setRole}
        />
        {size && (
          <Typography sx={{ fontSize: 15 }}>
            {q({ kind: 'length', value: size[2]! })} nose to tail, {q({ kind: 'length', value: size[1]! })} high,{' '}
            {q({ kind: 'length', value: size[0]! })} wide.
          </Typography>
        )}
        {problem && (
          <Box role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
            {problem}
          </Box>
        )}
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          It takes the place of the drawn parts; areas begin anew as one. All of it can be undone.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={problem !== null} onClick={use}>
          Use it
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function spread(p: Float64Array, axis: number): number {
  let lo = Infinity;
  let hi = -Infinity;
  for (let i = axis; i < p.length; i += 3) {
    lo = Math.min(lo, p[i]!);
    hi = Math.max(hi, p[i]!);
  }
  return hi - lo;
}
