import { expose } from 'comlink';
import { readBackup, writeBackup } from '../core/format/backup';
import { readKitCsv } from '../core/format/csv';
import { writeKitCsv } from '../core/format/csv-write';
import { gridOfText, isOwnList, type ListGrid } from '../core/list/grid';
import { readList, templateOf } from '../core/list/list';
import { readDoc, writeDoc } from '../core/format/read-job';

/** What begins every workbook: it is an archive. */
const isWorkbook = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * A list of any look as a table of texts; the reader of workbooks comes when one is opened.
 *
 * @throws with a sentence where nothing can be read
 */
async function readGrid(file: Blob): Promise<ListGrid & { own: boolean }> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let list: ListGrid;
  if (isWorkbook(bytes)) {
    const { gridOfWorkbook } = await import('../core/list/workbook');
    const read = await gridOfWorkbook(bytes);
    if (!read) throw new Error('it is no workbook that can be read: save it as .xlsx or .csv.');
    list = read;
  } else list = gridOfText(bytes);
  return { ...list, own: isOwnList(list.grid) };
}

/** Reading and validating files, off the page's own thread. */
const files = {
  readDoc,
  writeDoc,
  readBackup,
  writeBackup,
  readKitCsv,
  writeKitCsv,
  readGrid,
  readList,
  templateOf,
};

export type FilesApi = typeof files;

expose(files);
