import { defineConfig } from 'vitest/config';

// A test may load all anew, which takes seconds on a busy machine.
export default defineConfig({
  test: { environment: 'node', pool: 'threads', include: ['src/**/*.test.ts'], testTimeout: 60_000 },
});
