import PDFDocument from 'pdfkit';
import { facesOf } from './faces';

export const MM = 72 / 25.4;

/** A fresh document with the shipped faces embedded. `created` is an argument, so that the same plan gives the same file. */
export function newDocument(title: string, created: Date, paper: 'A4' | 'LETTER' = 'A4'): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    size: paper,
    margin: 0,
    autoFirstPage: false,
    info: {
      Title: title,
      Creator: 'Amber Collar',
      Producer: 'Amber Collar',
      CreationDate: created,
      ModDate: created,
    },
  });
  // Only what is written with goes into the file.
  for (const weight of ['regular', 'bold'] as const)
    for (const { name, file } of facesOf(weight)) doc.registerFont(name, file);
  return doc;
}

/** Takes in the bytes of a document while it is being written. `finish` ends it and gives all of them. */
export function collecting(doc: PDFKit.PDFDocument): { finish: () => Promise<Uint8Array<ArrayBuffer>> } {
  const chunks: Buffer[] = [];
  const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))));
    doc.on('error', reject);
  });
  return {
    finish: () => {
      doc.end();
      return done;
    },
  };
}

/** All bytes of a document that is written. */
export const collect = (doc: PDFKit.PDFDocument): Promise<Uint8Array<ArrayBuffer>> =>
  collecting(doc).finish();
