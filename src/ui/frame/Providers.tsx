'use client';
/** What every screen stands in: theme, baseline, the cupboard kept and followed, and short messages. */
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import Snackbar from '@mui/material/Snackbar';
import { useEffect, useState, type ReactNode } from 'react';
import { z } from 'zod';
import { keepOffline } from '@/desk/offline';
import { hearWrongs } from '@/desk/report';
import { keepCupboard, openCupboard } from '@/desk/session';
import { useDesk } from '@/desk/store';
import { ReadyContext } from './ready';
import { theme } from './theme';

z.config({ jitless: true });

export function Providers({ children }: { children: ReactNode }) {
  const [ready, setReady] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const message = useDesk((s) => s.message);
  useEffect(() => {
    let gone = false;
    let end: (() => void) | null = null;
    openCupboard()
      .then(() => {
        if (gone) return;
        end = keepCupboard();
        setReady(true);
      })
      .catch((e: unknown) => setFailed(e instanceof Error ? e.message : String(e)));
    return () => {
      gone = true;
      end?.();
    };
  }, []);
  const contrast = useDesk((s) => s.settings.contrast);
  useEffect(() => {
    document.documentElement.toggleAttribute('data-contrast', contrast === 'more');
  }, [contrast]);
  useEffect(hearWrongs, []);
  useEffect(keepOffline, []);
  useEffect(() => {
    // Leaving is questioned only while something could not be stored.
    const stay = (e: BeforeUnloadEvent) => {
      if (useDesk.getState().saveError !== null) e.preventDefault();
    };
    window.addEventListener('beforeunload', stay);
    return () => window.removeEventListener('beforeunload', stay);
  }, []);
  return (
    <ThemeProvider theme={theme} defaultMode="light">
      <CssBaseline />
      <ReadyContext value={{ ready, failed }}>{children}</ReadyContext>
      <Snackbar
        open={message !== null}
        autoHideDuration={6000}
        onClose={(_e, why) => why !== 'clickaway' && useDesk.setState({ message: null })}
        message={message ?? ''}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        // Above what is worked out just now, and on a phone above the bar.
        sx={{ bottom: 72 }}
      />
    </ThemeProvider>
  );
}
