'use client';
/**
 * The colour stack cut through: the ground at the bottom, each layer above it as wide as the share of the surface it hides,
 * what is seen after it to the right; on top what is seen beside what is wanted, with the difference in words.
 */
import Box from '@mui/material/Box';
import { labOf } from '@/core/colour/lab';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { colourName } from '@/core/shade/words';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';
import { LAYER_WORDS } from '@/ui/shade/layer-words';
import { Patch } from '@/ui/parts/Patch';

export function LayerSection({ shaded }: { shaded: ShadedArea }) {
  const { q } = useUnits();
  const before = [shaded.groundHex, ...shaded.layers.map((l) => l.seenHex)];
  const said = `${shaded.name} from below: ${[
    `ground ${colourName(labOf(shaded.groundHex))}`,
    ...shaded.layers.map(
      (l) => `${LAYER_WORDS[l.says].toLowerCase()} of ${l.wool}, then seen ${colourName(labOf(l.seenHex))}`,
    ),
  ].join('; ')}`;
  return (
    <Box sx={{ display: 'flex', gap: 2, height: '100%', minHeight: 0, fontSize: 13 }}>
      <Box sx={{ flex: 1, minWidth: 0, overflow: 'auto' }} role="img" aria-label={said} tabIndex={0}>
        {[...shaded.layers].reverse().map((l, i) => {
          const k = shaded.layers.length - 1 - i;
          return (
            <Box key={l.id} sx={{ display: 'flex', alignItems: 'center', gap: 1, height: 24 }}>
              <Box
                sx={{
                  width: 96,
                  height: 18,
                  display: 'flex',
                  border: 1,
                  borderColor: 'text.secondary',
                  flexShrink: 0,
                }}
              >
                <Box sx={{ width: `${100 * l.hides}%`, bgcolor: l.ownHex }} />
                <Box sx={{ flex: 1, bgcolor: before[k], backgroundImage: 'none' }} />
              </Box>
              <Box sx={{ ...figures, width: 42, textAlign: 'right', flexShrink: 0 }}>
                {q({ kind: 'share', value: l.hides })}
              </Box>
              <Patch hex={l.seenHex} wide={26} high={18} label={null} />
              <Box sx={{ lineHeight: 1.15, minWidth: 0, overflowWrap: 'anywhere' }}>
                {LAYER_WORDS[l.says]}: {l.wool}
              </Box>
            </Box>
          );
        })}
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, height: 24 }}>
          <Patch hex={shaded.groundHex} wide={96} high={18} label={null} />
          <Box sx={{ width: 42 + 26 + 8 }} />
          <Box>Ground</Box>
        </Box>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexShrink: 0 }}>
        <Box sx={{ width: 72 }}>
          Seen
          <Patch hex={shaded.fullHex} wide="100%" high={92} label={null} sx={{ my: 0.5 }} />
          {colourName(labOf(shaded.fullHex))}
        </Box>
        <Box sx={{ width: 72 }}>
          Wanted
          <Patch hex={shaded.wantedHex} wide="100%" high={92} label={null} sx={{ my: 0.5 }} />
          {shaded.offWords ? shaded.offWords : 'not picked'}
        </Box>
      </Box>
    </Box>
  );
}
