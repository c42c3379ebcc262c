'use client';
/** The parts of the animal, each on what it sits on; one is in hand. Pads are added and parts taken away here. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { addPad, PADS, removePart, type PadKind } from '@/core/form/shape';
import type { Part } from '@/core/piece/schema';
import { changePiece, setView, useDesk } from '@/desk/store';
import { useFindings } from '@/ui/parts/useFindings';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton } from '@/ui/parts/Editable';

/** Depth in the tree of parts. */
function depth(parts: readonly Part[], part: Part): number {
  let d = 0;
  for (let at = part; at.on !== null && d < 60; d++) at = parts.find((p) => p.id === at.on) ?? { ...at, on: null };
  return d;
}

export function PartList() {
  const piece = useDesk((s) => s.piece);
  const chosen = useDesk((s) => s.view.partId);
  const core = useDesk((s) => s.plan?.core);
  const findings = useFindings();
  const { q } = useUnits();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  if (!piece) return null;
  const parts = piece.form.parts;
  const part = parts.find((p) => p.id === chosen) ?? null;
  const add = (kind: PadKind) => {
    setMenu(null);
    if (!part) return;
    const { form, id } = addPad(piece.form, part.id, kind);
    changePiece((p) => ({ ...p, form }));
    setView({ partId: id });
  };
  return (
    <Box>
      <Tickets label="Parts" of={parts}>
        {(p) => {
          const mass = core?.there ? undefined : core?.parts.find((x) => x.id === p.id);
          return (
            <Ticket
              on={p.id === chosen}
              onClick={() => setView({ partId: p.id })}
              level={Math.min(depth(parts, p), 4)}
              name={p.name}
              findings={findings.filter((f) => f.stage === 'form' && isAbout(f, 'part', p.id))}
              words={p.mirrored ? 'a pair' : p.shape === 'board' ? 'board' : null}
              figure={mass && q({ kind: 'mass', value: mass.count * mass.mass.value })}
            />
          );
        }}
      </Tickets>
      <UnderTickets>
        <EditButton
          disabled={!part || part.shape === 'board'}
          onClick={(e) => setMenu(e.currentTarget)}
          aria-haspopup="menu"
        >
          Add a pad
        </EditButton>
        <EditButton
          disabled={!part || part.on === null}
          onClick={() => {
            changePiece((p) => removePart(p, part!.id));
            setView({ partId: null });
          }}
        >
          Take away
        </EditButton>
      </UnderTickets>
      {!part && (
        <Box sx={{ px: 1.5, fontSize: 13, color: 'text.secondary' }}>
          Choose a part here or press it on the turntable.
        </Box>
      )}
      <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
        {(Object.keys(PADS) as PadKind[]).map((k) => (
          <MenuItem key={k} onClick={() => add(k)}>
            {PADS[k].name} on {part?.name.toLowerCase()}
          </MenuItem>
        ))}
      </Menu>
    </Box>
  );
}
