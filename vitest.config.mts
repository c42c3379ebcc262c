import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
    setupFiles: ['cli/testing/seed.ts'],
    // Files of one shard share what they load and what a demo needs to be planned anew; none may leave anything behind.
    isolate: false,
    maxWorkers: Math.max(1, Math.min(4, availableParallelism())),
    testTimeout: 180_000,
    hookTimeout: 180_000,
  },
});
