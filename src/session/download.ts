import { encode, type OutingFile } from '@/document';

/** Hands a whole outing to the browser as the file that can be opened again. */
export function downloadOuting(file: OutingFile): void {
  download(`${file.outing.id}.armreach.json`, encode(file), 'application/json');
}

/** Hands a text or picture to the browser as a file to save. */
export function download(name: string, content: string | Blob, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
