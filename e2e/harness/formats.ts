/** One file of each format that needs a decoder or a loader, written by the formats' own libraries or by their rules. */
import type { Document } from '@gltf-transform/core';
import { NodeIO } from '@gltf-transform/core';
import {
  EXTMeshoptCompression,
  KHRDracoMeshCompression,
  KHRMeshQuantization,
  KHRTextureBasisu,
} from '@gltf-transform/extensions';
import { quantize } from '@gltf-transform/functions';
import draco3d from 'draco3dgltf';
import { zipSync } from 'fflate';
import {
  KHR_DF_MODEL_UASTC,
  KHR_DF_PRIMARIES_BT709,
  KHR_DF_TRANSFER_SRGB,
  KHR_SUPERCOMPRESSION_NONE,
  VK_FORMAT_UNDEFINED,
  createDefaultContainer,
  write as writeKtx2,
} from 'ktx-parse';
import { MeshoptEncoder } from 'meshoptimizer';
import sharp from 'sharp';
import { DataTexture, FloatType, RGBAFormat } from 'three';
import { EXRExporter } from 'three/addons/exporters/EXRExporter.js';
import { plainDocument } from '../../src/core/assets/models/plain-model';
import { blank, blit, type Raster } from '../../src/core/assets/raster';
import { crownMesh, plain, png, type Rgba } from '../../src/core/assets/testing';
import { MTL, OBJ, type MadeFile } from './files';

const made = (name: string, bytes: Uint8Array | Buffer | string): MadeFile => ({
  name,
  bytes: new Uint8Array(Buffer.from(bytes as Uint8Array)),
});
const crown = (): Document => plainDocument(crownMesh(1, false, 48, 8), new Map());

export const dracoGlb = async (name: string): Promise<MadeFile> => {
  const document = crown();
  document.createExtension(KHRDracoMeshCompression).setRequired(true);
  const io = new NodeIO()
    .registerExtensions([KHRDracoMeshCompression])
    .registerDependencies({ 'draco3d.encoder': await draco3d.createEncoderModule() });
  return made(name, await io.writeBinary(document));
};

export const meshoptGlb = async (name: string): Promise<MadeFile> => {
  const document = crown();
  await MeshoptEncoder.ready;
  await document.transform(quantize());
  document
    .createExtension(EXTMeshoptCompression)
    .setRequired(true)
    .setEncoderOptions({ method: EXTMeshoptCompression.EncoderMethod.QUANTIZE });
  const io = new NodeIO()
    .registerExtensions([EXTMeshoptCompression, KHRMeshQuantization])
    .registerDependencies({ 'meshopt.encoder': MeshoptEncoder });
  return made(name, await io.writeBinary(document));
};

/** KTX2 of 8 x 8 pixels in one colour: UASTC blocks of mode 8, which is a plain colour (UASTC specification, 2.9). */
export const plainKtx2 = ([r, g, b, a]: Rgba): Uint8Array => {
  // 5 bits of mode, then 8 bits for each channel; the hints for other formats stay 0.
  let bits = 0x17n;
  [r, g, b, a].forEach((value, i) => (bits |= BigInt(value) << BigInt(5 + 8 * i)));
  const block = new Uint8Array(16);
  new DataView(block.buffer).setBigUint64(0, bits, true);
  const levelData = new Uint8Array(64);
  for (let i = 0; i < 4; i++) levelData.set(block, i * 16);
  const container = createDefaultContainer();
  container.vkFormat = VK_FORMAT_UNDEFINED;
  container.typeSize = 1;
  container.pixelWidth = container.pixelHeight = 8;
  container.supercompressionScheme = KHR_SUPERCOMPRESSION_NONE;
  container.levelCount = container.faceCount = 1;
  container.levels = [{ levelData, uncompressedByteLength: levelData.length }];
  const [descriptor] = container.dataFormatDescriptor;
  Object.assign(descriptor!, {
    colorModel: KHR_DF_MODEL_UASTC,
    colorPrimaries: KHR_DF_PRIMARIES_BT709,
    transferFunction: KHR_DF_TRANSFER_SRGB,
    texelBlockDimension: [3, 3, 0, 0],
    bytesPlane: [16, 0, 0, 0, 0, 0, 0, 0],
    samples: [
      {
        bitOffset: 0,
        bitLength: 127,
        channelType: 3,
        samplePosition: [0, 0, 0, 0],
        sampleLower: 0,
        sampleUpper: 0xffffffff,
      },
    ],
  });
  return writeKtx2(container);
};

export const ktx2Glb = async (name: string, colour: Rgba): Promise<MadeFile> => {
  const document = plainDocument(
    [
      {
        part: 'Board',
        material: 'Board',
        positions: [-0.06, 0, 0, 0.06, 0, 0, 0.06, 0.1, 0, -0.06, 0, 0, 0.06, 0.1, 0, -0.06, 0.1, 0],
        uvs: [0, 1, 1, 1, 1, 0, 0, 1, 1, 0, 0, 0],
        normals: [],
      },
    ],
    new Map(),
  );
  document.createExtension(KHRTextureBasisu).setRequired(true);
  const texture = document.createTexture('plain').setImage(plainKtx2(colour)).setMimeType('image/ktx2');
  document.getRoot().listMaterials()[0]!.setBaseColorTexture(texture);
  return made(name, await new NodeIO().registerExtensions([KHRTextureBasisu]).writeBinary(document));
};

/** A square of 20 cm standing on the origin, as one polygon of four corners. */
export const FBX = `; FBX 7.4.0 project file
FBXHeaderExtension:  {
	FBXHeaderVersion: 1003
	FBXVersion: 7400
}
Objects:  {
	Geometry: 1000, "Geometry::Leaf", "Mesh" {
		Vertices: *12 {
			a: -10,0,0,10,0,0,10,20,0,-10,20,0
		}
		PolygonVertexIndex: *4 {
			a: 0,1,2,-4
		}
		GeometryVersion: 124
	}
	Model: 2000, "Model::Leaf", "Mesh" {
		Version: 232
		Shading: T
	}
	Material: 3000, "Material::Kelp", "" {
		Version: 102
		ShadingModel: "phong"
		Properties70:  {
			P: "DiffuseColor", "Color", "", "A",0.1,0.6,0.2
		}
	}
}
Connections:  {
	C: "OO",2000,0
	C: "OO",1000,2000
	C: "OO",3000,2000
}
`;

export const exr = async (name: string): Promise<MadeFile> => {
  const [width, height] = [32, 16];
  const data = new Float32Array(width * height * 4);
  for (let i = 0; i < width * height; i++) data.set([0.5, i === 70 ? 40 : 0.25, 0.125, 1], i * 4);
  const texture = new DataTexture(data, width, height, RGBAFormat, FloatType);
  return made(name, await new EXRExporter().parse(texture, { type: FloatType }));
};

/** A strip of four squares of 4 x 4: the identity table of size 4 with red and blue exchanged. */
export const strip = (name: string): MadeFile => {
  const n = 4;
  const out: Raster = blank(n * n, n);
  for (let b = 0; b < n; b++)
    for (let g = 0; g < n; g++)
      for (let r = 0; r < n; r++) {
        const v = (k: number): number => Math.round((k / (n - 1)) * 255);
        blit(plain(1, 1, [v(b), v(g), v(r), 255]), out, b * n + r, g);
      }
  return made(name, png(out));
};

/** MPEG-1 layer III, 44.1 kHz, 128 kbit/s: frames whose side information is zero are silence. */
export const silentMp3 = (name: string, frames = 60): MadeFile => {
  const frame = Buffer.alloc(417);
  frame.set([0xff, 0xfb, 0x90, 0x64]);
  return made(name, Buffer.concat(Array.from({ length: frames }, () => frame)));
};

export const avif = async (name: string): Promise<MadeFile> =>
  made(
    name,
    await sharp({ create: { width: 64, height: 48, channels: 4, background: '#2a8a4a80' } })
      .avif({ effort: 0 })
      .toBuffer(),
  );

export const STL = `solid coral
facet normal 0 0 1
outer loop
vertex 0 0 0
vertex 0.1 0 0
vertex 0 0.1 0
endloop
endfacet
endsolid coral
`;

/** An OBJ with its materials and their picture, in a folder of a zip. */
export const objZip = async (name: string): Promise<MadeFile> =>
  made(
    name,
    zipSync({
      'shell/shell.obj': Buffer.from(OBJ),
      'shell/shell.mtl': Buffer.from(MTL),
      'shell/pearl.png': png(plain(4, 4, [230, 210, 190, 255])),
    }),
  );
