import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  // The texts of docs/models are shown as pages.
  server: { fs: { allow: ['..'] } },
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    environment: 'happy-dom',
    environmentOptions: { happyDOM: { url: 'http://127.0.0.1:8080/' } },
    include: ['tests/**/*.test.ts'],
    // Loading the components anew for each file takes longer than all its tests.
    isolate: false,
    maxWorkers: 1,
    setupFiles: ['tests/setup.ts'],
    // Nothing here is about speed, and a busy computer takes its time.
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
})
