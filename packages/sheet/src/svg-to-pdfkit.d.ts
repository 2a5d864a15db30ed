declare module 'svg-to-pdfkit' {
  export default function svgToPdf(
    document: PDFKit.PDFDocument,
    svg: string,
    x: number,
    y: number,
    options?: {
      width?: number
      height?: number
      preserveAspectRatio?: string
      fontCallback?: (family: string, bold: boolean, italic: boolean) => string
    },
  ): void
}
declare module 'pdfkit/output' {
  export function toBytes(document: PDFKit.PDFDocument): Promise<Uint8Array>
}
