import { strToU8, zipSync } from 'fflate';

/** A workbook by hand after ECMA-376: no more in it than a reader asks for. For tests. */
export function workbook(
  sheets: readonly (readonly [name: string, rows: readonly (readonly (string | number)[])[]])[],
): Uint8Array {
  const head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const packages = 'http://schemas.openxmlformats.org/package/2006';
  const files: Record<string, Uint8Array> = {};
  const put = (path: string, xml: string) => (files[path] = strToU8(head + xml));
  const esc = (s: string) => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);
  const column = (i: number) => String.fromCharCode(65 + i);
  const each = (of: (i: number, name: string) => string) =>
    sheets.map(([n], i) => of(i + 1, n)).join('');
  put(
    '[Content_Types].xml',
    `<Types xmlns="${packages}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/>${each((i) => `<Override PartName="/xl/worksheets/sheet${i}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`)}</Types>`,
  );
  put(
    '_rels/.rels',
    `<Relationships xmlns="${packages}/relationships"><Relationship Id="r1" Type="${office}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
  );
  put(
    'xl/workbook.xml',
    `<workbook xmlns="${main}" xmlns:r="${office}"><sheets>${each((i, n) => `<sheet name="${esc(n)}" sheetId="${i}" r:id="s${i}"/>`)}</sheets></workbook>`,
  );
  put(
    'xl/_rels/workbook.xml.rels',
    `<Relationships xmlns="${packages}/relationships">${each((i) => `<Relationship Id="s${i}" Type="${office}/worksheet" Target="worksheets/sheet${i}.xml"/>`)}</Relationships>`,
  );
  sheets.forEach(([, rows], k) => {
    const cells = rows
      .map(
        (row, r) =>
          `<row r="${r + 1}">${row
            .map((v, c) =>
              typeof v === 'number'
                ? `<c r="${column(c)}${r + 1}"><v>${v}</v></c>`
                : `<c r="${column(c)}${r + 1}" t="inlineStr"><is><t>${esc(v)}</t></is></c>`,
            )
            .join('')}</row>`,
      )
      .join('');
    put(
      `xl/worksheets/sheet${k + 1}.xml`,
      `<worksheet xmlns="${main}"><sheetData>${cells}</sheetData></worksheet>`,
    );
  });
  return zipSync(files);
}
