import { foldTight } from '../../text';
import { isFreeMail } from '../../text/domains';
import { sharesColumn, type CardLine } from '../cardLine';
import { firmOfNameFeatures } from './companyFeatures';
import { FeatureList, together } from './features';
import type { Candidate, CardEvidence, Features } from './models';

/** Of a name and a title. */
export function titleBesideName(name: Candidate, title: Candidate): Features {
  const last = name.lines[name.lines.length - 1]!;
  const first = title.lines[0]!;
  const gap = first.top - last.bottom;
  const near = gap > -0.8 * last.height && gap < 1.6 * Math.max(last.height, first.height);
  if (last.index === first.index) return { titleUnderName: 1 };
  if (near && sharesColumn(last, first, 1.5 * last.height))
    return gap < 0.7 * last.height ? { titleUnderName: 1 } : { titleBelowName: 1 };
  return first.top < last.top ? { titleAboveName: 1 } : {};
}

/** Of a name and a firm. */
export function firmBesideName(name: Candidate, company: Candidate, evidence: CardEvidence): Features {
  const list = new FeatureList();
  if (isFamilyFirm(name, company)) {
    list.add('familyFirm');
    // The mailbox of a family's firm at a free-mail provider speaks for the name; it does not speak against the firm.
    list.add('familyMailbox', evidence.domains.every(isFreeMail));
  }
  list.add(besideName(name.lines, company.lines));
  list.add('largeFirm', Math.max(...company.lines.map((line) => line.relativeHeight)) > 1.05); // prettier-ignore
  return together(list.features, firmOfNameFeatures(company, name, evidence));
}

/** Whether a firm stands right over a name or under it, in its column, or elsewhere. */
function besideName(name: readonly CardLine[], firm: readonly CardLine[]): string {
  const under = (upper: CardLine, lower: CardLine) => {
    const height = Math.max(upper.height, lower.height);
    return Math.abs(lower.top - upper.bottom) < 1.6 * height && sharesColumn(upper, lower, 1.5 * height);
  };
  if (under(firm[firm.length - 1]!, name[0]!)) return 'firmOverName';
  return under(name[name.length - 1]!, firm[0]!) ? 'firmUnderName' : 'firmApart';
}

/** Of a firm and a title. */
export function firmBesideTitle(company: Candidate, title: Candidate): Features {
  const list = new FeatureList();
  const [last, first] = [title.lines[title.lines.length - 1]!, company.lines[0]!];
  const gap = first.top - last.bottom;
  list.add('firmUnderTitle', Math.abs(gap) < last.height && sharesColumn(last, first, 1.5 * last.height));
  return list.features;
}

/** "Dakwerken Van den Broeck" beside Roeland van den Broeck. */
function isFamilyFirm(name: Candidate, company: Candidate): boolean {
  const words = (text: string) => text.split(/\s+/).map(foldTight);
  const [given, family] = [words(name.text)[0]!, words(name.text).slice(1).pop() ?? ''];
  const firm = words(company.text);
  return family.length > 3 && firm.includes(family) && !firm.includes(given);
}
