/**
 * The PDF writer in the form browsers get, wherever sheets are made: the form for servers packs with another library, and the
 * same sheet would not be the same bytes from the page, the server's door and the command line.
 */
import type PDFDocument from 'pdfkit';
// @ts-expect-error The package declares types for its main form only; they hold for this one.
import Writer from '../../node_modules/pdfkit/js/pdfkit.browser.mjs';

export const PdfWriter = Writer as unknown as typeof PDFDocument;
export type PdfDocument = PDFKit.PDFDocument;
