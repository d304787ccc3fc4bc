/** Photos and recordings of what is seen: saved on the viewer's device. */

const save = (blob: Blob, name: string): void => {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
};

const fileName = (name: string, ending: string): string =>
  `${name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'effect'}.${ending}`;

/** Has to be called right after the canvas was drawn. */
export const keepPhoto = (canvas: HTMLCanvasElement, name: string): void =>
  canvas.toBlob((blob) => {
    if (blob) save(blob, fileName(name, 'png'));
  });

export class Recording {
  private readonly recorder: MediaRecorder;
  private readonly parts: Blob[] = [];

  constructor(canvas: HTMLCanvasElement, name: string) {
    this.recorder = new MediaRecorder(canvas.captureStream(30), { mimeType: 'video/webm' });
    this.recorder.ondataavailable = ({ data }) => this.parts.push(data);
    this.recorder.onstop = () => save(new Blob(this.parts, { type: 'video/webm' }), fileName(name, 'webm'));
    this.recorder.start(500);
  }
  stop(): void {
    this.recorder.stop();
  }
}
