import type { getDocument, GlobalWorkerOptions, PDFDocumentProxy } from 'pdfjs-dist';

/** What is used of it. */
interface PdfLibrary {
  getDocument: typeof getDocument;
  GlobalWorkerOptions: typeof GlobalWorkerOptions;
}
const LIBRARY = '/pdf/pdf.min.mjs';
const WORKER = '/pdf/pdf.worker.min.mjs';

let loading: Promise<PdfLibrary> | undefined;

/** The PDF library, fetched only when somebody has a PDF: it is served beside the application, not in it. */
function pdfLibrary(): Promise<PdfLibrary> {
  loading ??= new Promise<PdfLibrary>((resolve, reject) => {
    const script = document.createElement('script');
    script.type = 'module';
    script.src = LIBRARY;
    script.onload = () => {
      const library = (globalThis as unknown as { pdfjsLib: PdfLibrary }).pdfjsLib;
      library.GlobalWorkerOptions.workerSrc = WORKER;
      resolve(library);
    };
    script.onerror = () => {
      loading = undefined;
      reject(new Error('The part that opens PDFs could not be loaded.'));
    };
    document.head.append(script);
  });
  return loading;
}

export async function openPdf(data: Uint8Array): Promise<PDFDocumentProxy> {
  const library = await pdfLibrary();
  return library.getDocument({ data, isEvalSupported: false, disableFontFace: true }).promise;
}
