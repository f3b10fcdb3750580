import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import elementPlus from 'unplugin-element-plus/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [
    vue(),
    components({
      dirs: [],
      dts: 'src/api/generated/components.d.ts',
      resolvers: [ElementPlusResolver({ importStyle: 'css' })],
    }),
    elementPlus({}),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    target: 'es2022',
    // Nothing is inlined: the content policy allows neither inline scripts nor data: fonts.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 700,
  },
  // The texts of docs/models are shown as pages.
  server: { proxy: { '/api': 'http://127.0.0.1:8080' }, fs: { allow: ['..'] } },
})
