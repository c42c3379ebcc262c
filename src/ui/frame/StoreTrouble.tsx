'use client';
/** What is wrong with keeping things in this browser, for as long as it is, with what the maker can do about it. */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { savePieceFile, saveRecordFile } from '@/desk/files';
import { beginAnew, putPieceBack, storeNow } from '@/desk/session';
import { useDesk } from '@/desk/store';
import { useReady } from './ready';

const THINGS = {
  cupboard: { says: 'Your cupboard', instead: 'the demo cupboard', anew: 'Begin with the demo cupboard' },
  hand: { says: 'Your own rates', instead: 'the first values', anew: 'Begin with the first values' },
} as const;

export function StoreTrouble() {
  const { failed } = useReady();
  return (
    <>
      {failed && (
        <Alert severity="error" square>
          The browser’s store cannot be used ({failed}), so nothing can be kept here. Allow this page to store data in
          the browser’s settings and load it again.
        </Alert>
      )}
      <Unread name="cupboard" />
      <Unread name="hand" />
      <Away />
      <NotSaved />
    </>
  );
}

/** A document that is stored and cannot be read. */
function Unread({ name }: { name: keyof typeof THINGS }) {
  const unread = useDesk((s) => s.unread[name]);
  if (!unread) return null;
  const { says, instead, anew } = THINGS[name];
  return (
    <Alert
      severity="error"
      square
      action={
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button onClick={() => saveRecordFile(name, unread.raw)}>Save it to a file</Button>
          {unread.why === 'newer' ? (
            <Button onClick={() => location.reload()}>Load this page again</Button>
          ) : (
            <Button onClick={() => void beginAnew(name)}>{anew}</Button>
          )}
        </Box>
      }
    >
      <b>
        {unread.why === 'newer'
          ? `${says} was stored by a newer Fond Badger.`
          : `${says} is stored here but cannot be read.`}
      </b>{' '}
      It is left as it is; meanwhile {instead} stands in and is not kept.
      {unread.problems.slice(0, 3).map((p) => (
        <div key={p.where + p.says}>
          {p.where}: {p.says}
        </div>
      ))}
    </Alert>
  );
}

/** The piece on the desk can no longer be stored. */
function Away() {
  const away = useDesk((s) => s.away);
  const piece = useDesk((s) => s.piece);
  if (!away || !piece) return null;
  return (
    <Alert
      severity="warning"
      square
      action={
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {away === 'gone' && <Button onClick={() => void putPieceBack()}>Put it back</Button>}
          {away === 'newer' && <Button onClick={() => location.reload()}>Load this page again</Button>}
          <Button onClick={() => void savePieceFile(piece)}>Save to a file</Button>
        </Box>
      }
    >
      {away === 'gone'
        ? `${piece.name} was taken off the shelf. It can be looked at here.`
        : away === 'newer'
          ? `${piece.name} was changed by a newer Fond Badger in another window. Nothing more is stored from here.`
          : `What is stored of ${piece.name} can no longer be read. It is left as it is, and nothing more is stored from here.`}
    </Alert>
  );
}

/** Something changed is not stored yet, and why. */
function NotSaved() {
  const saveError = useDesk((s) => s.saveError);
  const piece = useDesk((s) => s.piece);
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  if (!saveError) return null;
  return (
    <Alert
      severity="error"
      square
      action={
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button onClick={storeNow}>Try again now</Button>
          {piece && <Button onClick={() => void savePieceFile(piece)}>Save the piece to a file</Button>}
          <Button onClick={() => saveRecordFile('cupboard', cupboard)}>Save the cupboard to a file</Button>
          <Button onClick={() => saveRecordFile('hand', hand)}>Save the rates to a file</Button>
        </Box>
      }
    >
      The last changes are not saved yet ({saveError}). They are tried again until they are; leave this window open, or
      save them to a file.
    </Alert>
  );
}
