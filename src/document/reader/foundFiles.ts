import type { FoundFile } from './readPhotos';

/** Files of a folder that a folder picker gave, deep down. */
export async function filesOfFolder(
  folder: FileSystemDirectoryHandle,
  at = '',
): Promise<FoundFile[]> {
  const found: FoundFile[] = [];
  for await (const [name, handle] of folder.entries()) {
    const path = at === '' ? name : `${at}/${name}`;
    if (handle.kind === 'directory')
      found.push(...(await filesOfFolder(handle as FileSystemDirectoryHandle, path)));
    else found.push({ path, file: await (handle as FileSystemFileHandle).getFile() });
  }
  return found;
}

/** Files that were chosen; those of a chosen folder know their path. */
export function filesOfList(list: Iterable<File>): FoundFile[] {
  return [...list].map((file) => ({ path: file.webkitRelativePath || file.name, file }));
}

/** What was dropped, folders included. */
export async function filesOfDrop(transfer: DataTransfer): Promise<FoundFile[]> {
  const entries = [...transfer.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.length === 0) return filesOfList(transfer.files);
  const found = await Promise.all(entries.map(filesOfEntry));
  return found.flat();
}

async function filesOfEntry(entry: FileSystemEntry): Promise<FoundFile[]> {
  const path = entry.fullPath.replace(/^\//, '');
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    return [{ path, file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: FoundFile[] = [];
  // A folder is told of in parts, until there is nothing more.
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (part.length === 0) return found;
    for (const inside of part) found.push(...(await filesOfEntry(inside)));
  }
}
