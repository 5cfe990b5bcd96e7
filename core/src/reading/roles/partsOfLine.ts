import { hasLegalForm } from '../../text/legalForm';
import { cutLine, type CardLine } from '../cardLine';
import { hasTitleWord } from '../names';
import type { CardEvidence } from './models';
import { likenessToDomain } from './textOfRole';
import { ownerLabel } from '../tables/labels';

/** "Inh. Jörg Hansen": the name itself. */
export function behindOwnerLabel(line: CardLine): CardLine[] {
  const label = ownerLabel.exec(line.text);
  return label ? cutLine(line, [{ from: 0, to: label[0].length }]) : [];
}

/** "Lumenpfad GmbH, Schlesische Straße 26": the firm of a line that goes on with its address. */
export function firmBeforeComma(line: CardLine): CardLine[] {
  const comma = line.text.indexOf(',');
  const [firm] = comma > 0 ? cutLine(line, [{ from: comma, to: line.text.length }]) : [];
  return firm && hasLegalForm(firm.text) ? [firm] : [];
}

/** "Rasmus Ahlgren, VD": what stands before the comma, and the position behind it. */
export function nameAndTitle(line: CardLine): CardLine[] {
  const [before = '', behind, ...more] = line.text.split(/,\s+/);
  if (behind === undefined || more.length > 0 || hasTitleWord(before) || !hasTitleWord(behind)) return [];
  return cutLine(line, [{ from: before.length, to: line.text.length - behind.length }]);
}

/** Stands between a position and the firm where it is held. */
const AT = /,\s+|\s(?:at|@|bei|chez|presso|hos|bij)\s/u;
const LEAST_LIKENESS = 0.6;

/** "Head Roaster, Alder & Ash Coffee": a position and the firm, which has a legal form or is called like the domain. */
export function titleAndFirm(line: CardLine, evidence: CardEvidence): CardLine[] {
  const between = AT.exec(line.text);
  if (!between) return [];
  const pieces = cutLine(line, [{ from: between.index, to: between.index + between[0].length }]);
  const [title, firm] = pieces;
  if (!title || !firm || !hasTitleWord(title.text) || hasTitleWord(firm.text)) return [];
  return hasLegalForm(firm.text) || likenessToDomain(firm.text, evidence) >= LEAST_LIKENESS ? pieces : [];
}
