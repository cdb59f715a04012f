import { unzipSync, zipSync } from 'fflate';
import readWorkbook from 'read-excel-file/universal';
import { gridOfSheets, type ListGrid } from './grid';

/** What a workbook may unpack to, bytes: a list of five thousand lines takes a few. */
const MOST = 150 * 1024 * 1024;

/**
 * The list in a workbook; null where it is none, or unpacks to more than a list can be. Unpacked
 * here and handed on unpressed: the reader would start workers of its own for what is large, and
 * nobody would hear of them where the page forbids it.
 */
export async function gridOfWorkbook(bytes: Uint8Array): Promise<ListGrid | null> {
  try {
    let size = 0;
    const files = unzipSync(bytes, { filter: (f) => (size += f.originalSize) <= MOST });
    if (size > MOST) return null;
    const plain = zipSync(files, { level: 0 });
    return gridOfSheets(await readWorkbook(plain.slice().buffer));
  } catch {
    return null;
  }
}
