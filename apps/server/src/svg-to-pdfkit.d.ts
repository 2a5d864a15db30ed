declare module 'svg-to-pdfkit' {
  export default function svgToPdf(
    document: PDFKit.PDFDocument,
    svg: string,
    x: number,
    y: number,
    options?: { width?: number; height?: number; preserveAspectRatio?: string },
  ): void
}
