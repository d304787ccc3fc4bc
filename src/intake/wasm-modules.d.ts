/** Modules that come without types. */
declare module 'draco3dgltf/draco_decoder_gltf_nodejs.js' {
  const create: (options: { wasmBinary: ArrayBuffer }) => Promise<unknown>;
  export default create;
}
declare module 'three/examples/jsm/libs/basis/basis_transcoder.js' {
  const create: (options: { wasmBinary: ArrayBuffer }) => Promise<unknown>;
  export default create;
}
