import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify({ autoImport: true })],
  worker: { format: 'es' },
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 900, sourcemap: false },
  server: { port: 5173, strictPort: true, fs: { allow: ['..'] } },
});
