'use client';
/** Whether the browser's own store has been opened; screens that need it wait for it. */
import { createContext, use } from 'react';

export const ReadyContext = createContext<{ readonly ready: boolean; readonly failed: string | null }>({
  ready: false,
  failed: null,
});

export const useReady = () => use(ReadyContext);
