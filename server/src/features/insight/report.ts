import type { OccasionReport } from '@dossier/contract';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const SERIF = require.resolve('@expo-google-fonts/newsreader/400Regular/Newsreader_400Regular.ttf');
const MM = 72 / 25.4;
const LEFT = 22 * MM;
const WIDTH = 166 * MM;
const INK = '#1e242b';
const SOFT = '#5c6268';
const RULE = '#d9d2c3';

const money = (value: number, currency: string): string => `${currency} ${value.toLocaleString('en', Number.isInteger(value) ? {} : { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`; // prettier-ignore
const sums = (of: OccasionReport['won'], which: 'value' | 'weighted'): string =>
  of.sums.map((sum) => money(sum[which], sum.currency)).join(' + ') || '–';

/** What an occasion brought, on paper. */
export async function reportFile(report: OccasionReport, team: string): Promise<Buffer> {
  const paper = new PDFDocument({ size: 'A4', margin: LEFT, info: { Title: report.name } });
  const chunks: Buffer[] = [];
  paper.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<void>((resolve) => paper.on('end', resolve));
  paper.registerFont('serif', SERIF);
  paper
    .font('serif')
    .fontSize(24)
    .fillColor(INK)
    .text(report.name, LEFT, 24 * MM, { width: WIDTH });
  const when = [report.startsOn, report.endsOn !== report.startsOn ? report.endsOn : null].filter(Boolean).join(' to ');
  paper.font('serif').fontSize(10).fillColor(SOFT).text([report.place, when, team].filter(Boolean).join(' · '));
  paper.moveDown(1.5);
  heading(paper, 'What it brought');
  rows(paper, [
    ['Cards', String(report.cards)],
    ['Still in the tray', String(report.inTray)],
    ['People filed', String(report.people)],
    ['of them leads', String(report.leads)],
    ['qualified', String(report.qualified)],
    ['closed', String(report.closed)],
    ['Opportunities won', `${report.won.number}, ${sums(report.won, 'value')}`],
    ['open', `${report.open.number}, ${sums(report.open, 'value')}, weighted ${sums(report.open, 'weighted')}`],
    ['lost', `${report.lost.number}, ${sums(report.lost, 'value')}`],
    ...(report.cost === null ? [] : [['Cost', money(report.cost, report.currency)] as [string, string]]),
    ...(report.costPerLead === null ? [] : [['Cost of a lead', money(report.costPerLead, report.currency)] as [string, string]]), // prettier-ignore
  ]);
  if (report.byPerson.length > 0) {
    heading(paper, 'Who photographed');
    rows(paper, report.byPerson.map((one): [string, string] => [one.name, `${one.cards} cards, ${one.people} people, ${one.leads} leads, ${one.qualified} qualified`])); // prettier-ignore
  }
  if (report.hours.length > 0) {
    heading(paper, 'When');
    const days = [...new Set(report.hours.map(({ day }) => day))];
    rows(paper, days.map((day): [string, string] => {
      const own = report.hours.filter((one) => one.day === day);
      return [day, `${own.reduce((sum, { cards }) => sum + cards, 0)} cards: ${own.map(({ hour, cards }) => `${hour}:00 ${cards}`).join(', ')}`];
    })); // prettier-ignore
  }
  paper.end();
  await done;
  return Buffer.concat(chunks);
}

function heading(paper: PDFKit.PDFDocument, words: string): void {
  paper.moveDown(1);
  if (paper.y > 250 * MM) paper.addPage();
  paper.font('serif').fontSize(15).fillColor(INK).text(words, LEFT, paper.y, { width: WIDTH });
  paper.moveDown(0.4);
}

/** Lines of two columns, each as high as its words. */
function rows(paper: PDFKit.PDFDocument, lines: readonly (readonly [name: string, value: string])[]): void {
  const [name, value] = [62 * MM, WIDTH - 62 * MM];
  paper.font('serif').fontSize(10.5);
  for (const [left, right] of lines) {
    const height = Math.max(paper.heightOfString(left, { width: name }), paper.heightOfString(right, { width: value })) + 8; // prettier-ignore
    if (paper.y + height > 275 * MM) paper.addPage();
    const top = paper.y;
    paper.fillColor(SOFT).text(left, LEFT, top + 4, { width: name });
    paper.fillColor(INK).text(right, LEFT + name, top + 4, { width: value });
    paper.moveTo(LEFT, top + height).lineTo(LEFT + WIDTH, top + height).lineWidth(0.5).strokeColor(RULE).stroke(); // prettier-ignore
    paper.y = top + height;
  }
}
