import { defineConfig } from 'vite';
import vue from '@vitejs/plugin-vue';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { fileURLToPath } from 'node:url';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const server = `http://127.0.0.1:${process.env.ICONIA_DEV_SERVER ?? '4174'}`;

export default defineConfig({
  plugins: [
    vue(),
    Components({
      dirs: [],
      dts: 'components.d.ts',
      resolvers: [AntDesignVueResolver({ importStyle: false })],
    }),
  ],
  resolve: {
    alias: {
      '@': at('./src'),
      ndarray: at('./src/intake/no-ndarray.ts'),
      'ndarray-lanczos': at('./src/intake/no-ndarray.ts'),
      'ndarray-pixels': at('./src/intake/no-ndarray.ts'),
    },
  },
  worker: {
    format: 'es',
    // In a folder of their own: the server gives workers another policy than pages.
    rollupOptions: {
      output: {
        entryFileNames: 'assets/workers/[name]-[hash].js',
        chunkFileNames: 'assets/workers/[name]-[hash].js',
        assetFileNames: 'assets/workers/[name]-[hash][extname]',
      },
    },
  },
  server: {
    host: '127.0.0.1',
    port: 4173,
    strictPort: true,
    proxy: { '/api': server, '/trackers': server, '/outlet': server, '/stock-files': server, '/healthz': server },
  },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1200,
    outDir: 'dist/client',
    // Nothing as data: addresses: the Content-Security-Policy allows fonts and scripts from this server only.
    assetsInlineLimit: 0,
    rollupOptions: { input: { index: at('./index.html'), show: at('./show.html') } },
  },
});
