declare module 'pdfkit/output' {
  /** Everything a document gives out, once it is ended. */
  export function toBytes(document: PDFKit.PDFDocument): Promise<Uint8Array>
}
