import { defineConfig } from 'vite';
import vue from '@vitejs/plugin-vue';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { fileURLToPath } from 'node:url';
import { plainGlsl } from './scripts/plain-glsl';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
/**
 * The two pages are built apart: what one of them uses of a library is then not carried by the other. For viewers the drawing library is
 * taken in its single files, so that a part of it comes with the part of the page that needs it.
 */
const page = process.env.ICONIA_PAGE === 'show' ? 'show' : 'index';
const server = `http://127.0.0.1:${process.env.ICONIA_DEV_SERVER ?? '4174'}`;

export default defineConfig({
  plugins: [
    plainGlsl(),
    vue(),
    Components({
      dirs: [],
      dts: 'components.d.ts',
      resolvers: [AntDesignVueResolver({ importStyle: false })],
    }),
  ],
  resolve: {
    alias: [
      { find: '@', replacement: at('./src') },
      { find: /^ndarray(-lanczos|-pixels)?$/, replacement: at('./src/intake/no-ndarray.ts') },
      ...(page === 'show'
        ? [
            { find: /^three$/, replacement: 'three/src/Three.js' },
            { find: /^[.]\/rehearsal-schema$/, replacement: at('./src/show/no-rehearsals.ts') },
            {
              find: /^[.][.]\/core\/(json-schema-processors|to-json-schema)[.]js$/,
              replacement: at('./src/show/no-json-schema.ts'),
            },
            {
              find: /^[.]\/(webxr\/WebXRManager|webgl\/WebGLUniformsGroups|webgl\/WebGLOutput)[.]js$/,
              replacement: at('./src/show/drawn-without.ts'),
            },
            {
              find: /^[.]\/(ShaderLib\/(meshtoon|meshmatcap|sprite|linedashed)|ShaderChunk\/(lights_toon_(pars_)?fragment|lightprobes_pars_fragment))[.]glsl[.]js$/,
              replacement: at('./src/show/no-shader.ts'),
            },
          ]
        : []),
    ],
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
    assetsDir: page === 'show' ? 'assets/show' : 'assets',
    emptyOutDir: page === 'index',
    rollupOptions: {
      // What the command line drives stands on the atelier's own modules.
      input: page === 'index' ? { index: at('./index.html'), rehearse: at('./rehearse.html') } : at('./show.html'),
    },
  },
});
