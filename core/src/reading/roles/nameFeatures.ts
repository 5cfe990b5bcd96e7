import { fold, foldTight } from '../../text';
import { hasLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { givenNames, nameParticles } from '../../text/tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import { localPartAgreement, nameParts } from '../names';
import { isLabel, ownerLabel } from '../tables/labels';
import { FeatureList } from './features';
import type { Candidate, CardEvidence, Features } from './models';
import {
  count,
  isCapitalised,
  isFirmsMailbox,
  isLarge,
  likenessOfOthers,
  likeUnknownWords,
  likenessToDomain,
  proseLevel,
} from './textOfRole';

const MOST_WORDS = 5;

/** What speaks for somebody's name and against it; undefined for what is none. */
export function nameFeatures(candidate: Candidate, evidence: CardEvidence): Features | undefined {
  const { prefixes, core, suffixes } = nameParts(candidate.text);
  if (core.length < 1 || core.length > MOST_WORDS || /[\d@:;/|&!?+]/.test(core.join(' '))) return undefined;
  const list = new FeatureList();
  const holdsGivenName = core.some((w) => givenNames.has(w) || w.split('-').some((part) => givenNames.has(part)));
  const agreement = Math.max(0, ...evidence.localParts.map((local) => localPartAgreement(candidate.text, local)));
  list.add(core.length === 1 ? 'oneWord' : 'someWords');
  list.add('holdsGivenName', holdsGivenName);
  list.add(
    'behindOwnerWord',
    candidate.lines.some(({ from, read }) => from > 0 && ownerLabel.test(read.text)),
  );
  list.add('inCode', evidence.said?.name !== undefined && foldTight(core.join('')) === evidence.said.name);
  list.add('agreesWithMailbox', agreement);
  // A mailbox at a free-mail provider may be the firm's: "Haus Alpenblick" above Rosemarie Hintermoser.
  if (isFirmsMailbox(candidate, evidence)) list.add('mailboxOfFirm', agreement);
  list.add('hasFormOfAddress', prefixes.length > 0);
  list.add('hasLettersBehind', suffixes.length > 0);
  list.add('hasInitial', core.some((w) => /^\p{Lu}\.?$/u.test(w))); // prettier-ignore
  // "Zdzisław Ogrodnik" at zdzislaw.ogrodnik@ is called after a gardener and is none.
  const isCalledAfterTrade = core.length > 1 && givenNames.has(core[0]!) && agreement > 0.9;
  list.add('titleWords', count(isCalledAfterTrade ? core.slice(0, -1) : core, (w) => titleHeads.has(w))); // prettier-ignore
  list.add('tradeWords', count(core, (w) => tradeWords.has(w))); // prettier-ignore
  const isOfFirm = (w: string) => departmentHeads.has(w) || (titleModifiers.has(w) && !nameParticles.has(w));
  list.add('wordsOfFirm', count(core, isOfFirm));
  list.add('legalForm', hasLegalForm(candidate.text));
  list.add('smallWords', count(core, (w) => !isCapitalised(w) && !nameParticles.has(w))); // prettier-ignore
  list.add('joiners', count(core, (w) => titleJoiners.has(w) && !nameParticles.has(w))); // prettier-ignore
  list.add('particleFirst', nameParticles.has(core[0]!));
  list.add('particleWithin', core.slice(1, -1).some((w) => nameParticles.has(w) && !isCapitalised(w))); // prettier-ignore
  // "Annelies van der" goes on in the next line.
  const last = core[core.length - 1]!;
  list.add('particleLast', nameParticles.has(last) && !isCapitalised(last));
  list.add('prose', proseLevel(core.join(' ')));
  // "Kühlwetter / Bastian Kühlwetter": a firm's line and its owner's are two.
  list.add('sameWordTwice', core.length > 2 && fold(core[0]!) === fold(last));
  list.add('isLarge', isLarge(candidate));
  const domainLike = likenessToDomain(core.join(' '), evidence);
  // A firm is often called after its owner: a known given name, or another line as like the domain, outweighs this.
  const isOwners = core.length > 1 && (givenNames.has(core[0]!) || domainLike <= likenessOfOthers(candidate, evidence));
  if (agreement < 0.8) list.add(isOwners ? 'likeDomainAsOwner' : 'likeDomain', domainLike);
  list.add('topic', departmentTopics.has(candidate.text));
  list.add('letters', likeUnknownWords(candidate.text)?.name ?? 0);
  list.add('label', isLabel(candidate.text));
  return list.features;
}
