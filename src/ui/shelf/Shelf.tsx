'use client';
/** The shelf: all pieces in this browser, the demo pieces, new pieces and pieces from files. */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useState } from 'react';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Problem } from '@/core/piece/read';
import type { Piece } from '@/core/piece/schema';
import { demoPieces, withDemoLots } from '@/desk/demo';
import { bringBegun } from '@/desk/demo-begun';
import { copyLikeness } from '@/desk/kept-plans';
import { likenesses } from '@/desk/likeness';
import { freshId, openPieceFile, savePieceFile, saveRecordFile } from '@/desk/files';
import {
  listen,
  copyPictures,
  loadPiece,
  loadRemoved,
  loadShelf,
  putBack,
  removePiece,
  savePiece,
  type EarlierState,
  type ShelfEntry,
} from '@/desk/storage';
import { editCupboard } from '@/desk/store';
import { FileButton } from '@/ui/parts/FileButton';
import { go } from '@/ui/frame/way';
import { PlainPage } from '@/ui/frame/PlainPage';
import { useReady } from '@/ui/frame/ready';
import { useUnits } from '@/ui/parts/useUnits';
import { EarlierStates } from './EarlierStates';
import { NewPieceDialog } from './NewPieceDialog';
import { PieceOutline } from './PieceOutline';
import { TakenOff } from './TakenOff';
import { Panel } from '@/ui/parts/Panel';

export function Shelf() {
  const { ready, failed } = useReady();
  const [entries, setEntries] = useState<ShelfEntry[] | null>(null);
  const [refused, setRefused] = useState<{ file: string; problems: readonly Problem[] } | null>(null);
  const [making, setMaking] = useState(false);
  const [earlierOf, setEarlierOf] = useState<Piece | null>(null);
  const [gone, setGone] = useState<readonly EarlierState[]>([]);
  const [removed, setRemoved] = useState<ShelfEntry | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);

  const [known, setKnown] = useState<ReadonlyMap<string, string>>(new Map());
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    let free: () => void = () => undefined;
    void likenesses().then((l) => {
      if (gone) return l.free();
      free = l.free;
      setKnown(l.of);
    });
    return () => {
      gone = true;
      free();
    };
    // Another copy has another picture.
  }, [ready, entries?.length]);

  const refresh = useCallback(() => {
    Promise.all([loadShelf(), loadRemoved()])
      .then(([shelf, off]) => {
        setEntries(shelf);
        setGone(off);
      })
      .catch((e: unknown) => setTrouble(e instanceof Error ? e.message : String(e)));
  }, []);
  useEffect(() => {
    if (!ready) return;
    refresh();
    return listen((w) => w.says === 'piece-saved' && refresh());
  }, [ready, refresh]);

  const openDemo = async (piece: Piece) => {
    if (!(await loadPiece(piece.id))) await savePiece(piece);
    editCupboard((d) => withDemoLots(d as Cupboard, piece));
    if (piece.log.length > 0) await bringBegun(piece);
    go(`/piece/${piece.id}/${piece.log.length > 0 ? 'bench' : 'coat'}`);
  };

  const openFile = async (file: File) => {
    const r = await openPieceFile(file);
    if (!r.ok) return setRefused({ file: file.name, problems: r.problems });
    setRefused(null);
    go(`/piece/${r.id}/coat`);
  };

  const remove = async (e: ShelfEntry) => {
    await removePiece(e.id);
    setRemoved(e);
    refresh();
  };
  const copy = async (p: Piece) => {
    const id = freshId(p.id);
    await copyPictures(p.id, id);
    await copyLikeness(p.id, id);
    await savePiece({ ...p, id, name: `${p.name} (copy)`.slice(0, 80) });
    refresh();
  };

  const demos = demoPieces.filter((d) => !entries?.some((e) => e.id === d.id));
  const wrong = failed ?? trouble;
  return (
    <PlainPage
      title="Fond Badger"
      busy={!entries && !wrong}
      actions={
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button variant="contained" disabled={!ready} onClick={() => setMaking(true)}>
            New piece
          </Button>
          <FileButton
            says="Open a piece file"
            label="Piece file"
            accept=".json,.zip,application/json,application/zip"
            disabled={!ready}
            onFile={(f) => void openFile(f)}
          />
        </Box>
      }
    >
      {trouble && <Alert severity="error">The shelf cannot be read ({trouble}).</Alert>}
      {refused && (
        <Alert severity="error" onClose={() => setRefused(null)} sx={{ mb: 2 }}>
          <b>{refused.file} was not opened; nothing was changed.</b>
          {refused.problems.map((p) => (
            <div key={p.where + p.says}>
              {p.where}: {p.says}
            </div>
          ))}
        </Alert>
      )}
      {entries && entries.length > 0 && (
        <Box component="section" aria-labelledby="your-pieces" sx={{ mb: 4 }}>
          <Typography id="your-pieces" variant="h2" sx={{ mb: 1.5 }}>
            Your pieces
          </Typography>
          <Grid>
            {entries.map((e) => (
              <Card
                key={e.id}
                piece={e.piece}
                likeness={known.get(e.id)}
                name={e.piece?.name ?? e.id}
                foot={`saved ${new Date(e.savedAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}`}
                problems={e.problems}
                onOpen={e.piece ? () => go(`/piece/${e.id}/coat`) : null}
              >
                {e.piece && (
                  <>
                    <Button variant="text" onClick={() => void copy(e.piece!)} aria-label={`Copy ${e.piece.name}`}>
                      Copy
                    </Button>
                    <Button
                      variant="text"
                      onClick={() => void savePieceFile(e.piece!)}
                      aria-label={`Save ${e.piece.name} to a file`}
                    >
                      Save to file
                    </Button>
                    <Button
                      variant="text"
                      onClick={() => setEarlierOf(e.piece)}
                      aria-label={`Earlier states of ${e.piece.name}`}
                    >
                      Earlier
                    </Button>
                  </>
                )}
                {!e.piece && (
                  <Button
                    variant="text"
                    onClick={() => saveRecordFile(e.id, e.raw)}
                    aria-label={`Save what is stored of ${e.id} to a file`}
                  >
                    Save to file
                  </Button>
                )}
                <Button variant="text" onClick={() => void remove(e)} aria-label={`Remove ${e.piece?.name ?? e.id}`}>
                  Remove
                </Button>
              </Card>
            ))}
          </Grid>
        </Box>
      )}
      {entries && demos.length > 0 && (
        <Box component="section" aria-labelledby="demo-pieces" sx={{ mb: 4 }}>
          <Typography id="demo-pieces" variant="h2">
            Demo pieces
          </Typography>
          <Typography sx={{ mb: 1.5, color: 'text.secondary' }}>
            Made up to look around with. What you change stays in this browser.
          </Typography>
          <Grid>
            {demos.map((p) => (
              <Card
                key={p.id}
                piece={p}
                likeness={known.get(p.id)}
                name={p.name}
                foot={p.note}
                problems={[]}
                onOpen={() => void openDemo(p)}
              />
            ))}
          </Grid>
        </Box>
      )}
      {entries && (
        <Panel title="How a piece begins" sx={{ maxWidth: 760 }}>
          <Box component="ol" sx={{ m: 0, pl: 2.5, '& li': { mb: 0.5 } }}>
            <li>Put your own wool into the cupboard: fineness, staple, grams. The first lots there are examples.</li>
            <li>Take a new piece, give its finished length and its length in life.</li>
            <li>
              Choose an area on the coat stage. The docket says at once what to cut and lay; change what you like.
            </li>
            <li>Print the sheets or take the screen to the bench, and lay row by row from the hem up.</li>
          </Box>
        </Panel>
      )}
      {gone.length > 0 && <TakenOff list={gone} onChange={refresh} />}
      {making && <NewPieceDialog onClose={() => setMaking(false)} />}
      {earlierOf && <EarlierStates piece={earlierOf} onClose={() => setEarlierOf(null)} onChange={refresh} />}
      <Snackbar
        open={removed !== null}
        autoHideDuration={15_000}
        onClose={(_e, why) => why !== 'clickaway' && setRemoved(null)}
        message={removed ? `${removed.piece?.name ?? removed.id} was taken from the shelf` : ''}
        action={
          <Button
            color="inherit"
            onClick={() => {
              if (removed) void putBack(removed).then(refresh);
              setRemoved(null);
            }}
          >
            Undo
          </Button>
        }
      />
    </PlainPage>
  );
}

function Grid({ children }: { children: React.ReactNode }) {
  return (
    <Box
      component="ul"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 260px), 1fr))',
      }}
    >
      {children}
    </Box>
  );
}

interface CardProps {
  readonly piece: Piece | null;
  /** Where its picture is; without, its outline is drawn. */
  readonly likeness: string | undefined;
  readonly name: string;
  readonly foot: string;
  readonly problems: readonly Problem[];
  readonly onOpen: (() => void) | null;
  readonly children?: React.ReactNode;
}

function Card({ piece, likeness, name, foot, problems, onOpen, children }: CardProps) {
  const { q } = useUnits();
  return (
    <Box
      component="li"
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: '3px',
        display: 'flex',
        flexDirection: 'column',
      }}
    >
      <Box sx={{ height: 150, bgcolor: 'desk.stage', p: 1 }}>
        {likeness ? (
          <Box
            component="img"
            src={likeness}
            alt=""
            sx={{ display: 'block', width: '100%', height: '100%', objectFit: 'contain' }}
          />
        ) : (
          piece && <PieceOutline form={piece.form} />
        )}
      </Box>
      <Box sx={{ p: 1.5, flex: 1, display: 'flex', flexDirection: 'column' }}>
        <Typography variant="h3" component="h3">
          {name}
        </Typography>
        {piece && (
          <Typography variant="body2">
            {q({ kind: 'length', value: piece.form.finishedLengthMm })} nose to tail,{' '}
            {piece.areas.filter((a) => a.coat.method !== 'none').length} areas
          </Typography>
        )}
        {problems.map((p) => (
          <Typography key={p.where + p.says} variant="body2" sx={{ color: 'error.main' }}>
            {p.where}: {p.says}
          </Typography>
        ))}
        <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
          {foot}
        </Typography>
        <Box sx={{ mt: 'auto', display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
          {onOpen && (
            <Button variant="contained" onClick={onOpen} aria-label={`Open ${name}`}>
              Open
            </Button>
          )}
          {children}
        </Box>
      </Box>
    </Box>
  );
}
