import { readFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

/*
 * Tells what a general-purpose reader finds in PDFs, for tests: paths of files come in as lines, JSON goes out as lines.
 * Lengths are in mm, from the lower left corner. A process of its own, since the reader wants nothing between it and
 * Node; one for all files of a test, since it takes a second to begin.
 */
const MM = 72 / 25.4;

const times = (a, b) => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
];

/** Where every path of a page lies, as boxes [x0, y0, x1, y1]. */
async function pathsOf(page) {
  const { fnArray, argsArray } = await page.getOperatorList();
  let now = [1, 0, 0, 1, 0, 0];
  const kept = [];
  return fnArray.flatMap((op, i) => {
    const args = argsArray[i];
    if (op === OPS.save) kept.push(now);
    else if (op === OPS.restore) now = kept.pop();
    else if (op === OPS.transform) now = times(now, args);
    else if (op === OPS.constructPath) {
      const [x0, y0, x1, y1] = args[2];
      const [[ax, ay], [bx, by]] = [
        [x0, y0],
        [x1, y1],
      ].map(([x, y]) => [
        (now[0] * x + now[2] * y + now[4]) / MM,
        (now[1] * x + now[3] * y + now[5]) / MM,
      ]);
      return [[Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by)]];
    }
    return [];
  });
}

async function wordsOf(page) {
  const { items } = await page.getTextContent();
  return items.flatMap((item) =>
    'str' in item && item.str.trim() !== ''
      ? [
          {
            text: item.str,
            x: item.transform[4] / MM,
            y: item.transform[5] / MM,
            width: item.width / MM,
          },
        ]
      : [],
  );
}

const roles = (node) =>
  node === null ? [] : [node.role, ...(node.children ?? []).flatMap((child) => roles(child))];

async function read(file) {
  const data = new Uint8Array(readFileSync(file));
  const document = await getDocument({ data, verbosity: 0 }).promise;
  const pages = [];
  for (let i = 1; i <= document.numPages; i++) {
    const page = await document.getPage(i);
    const [, , width, height] = page.view;
    pages.push({
      width: width / MM,
      height: height / MM,
      words: await wordsOf(page),
      paths: await pathsOf(page),
      roles: roles(await page.getStructTree()).filter((role) => role !== undefined),
    });
  }
  const info = /** @type {Record<string, string>} */ ((await document.getMetadata()).info);
  const { Marked: tagged } = await document.getMarkInfo();
  await document.destroy();
  return { title: info.Title, language: info.Language, tagged, pages };
}

for await (const file of createInterface({ input: process.stdin })) {
  const answer = await read(file).catch((error) => ({ error: String(error.stack ?? error) }));
  process.stdout.write(`${JSON.stringify(answer)}\n`);
}
