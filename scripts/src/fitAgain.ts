import { parseArgs } from 'node:util';
import {
  draftFields,
  featuresOfBoth,
  groupOfField,
  proposeFields,
  readAlone,
  scoredFields,
  witnessOf,
  type Weights,
} from '@dossier/core/reading/confidence';
import { cardAt } from './doubts';
import type { ReadPart } from './drawnParts';
import { fitOnce } from './fitOnce';
import { FOLDS, fitGroups, readParts, writeWeights, type Judged } from './fitParts';
import type { Directions } from './logistic';
import { isRight, wantedOfPrinted } from './shown';

/** Fits how far a value can be believed once its card was read a second time, on the same cards: the last part of `npm run fit:confidence`. */
const { values } = parseArgs({ options: { rounds: { type: 'string', default: '2' } } });

/** So many samples a step of the curve stands for at least: most of what is wrong lies close together. */
const FEWEST = 25;
const DIRECTIONS: Directions = { first: 1, doubted: -1, readAgain: 1, readOtherwise: -1, notReadAgain: -1, sameLetters: 1, alikeLetters: -1, otherLetters: -1, nothingAgrees: -1 }; // prettier-ignore

/** As sure as weights make it that were fitted to other cards: those it was fitted to look surer than they are. */
function judgedTwice({ drawn, desk }: ReadPart, weights?: Weights): Judged[] {
  return drawn.flatMap(({ card: printed, quad }, i) => {
    const found = cardAt(desk, String(i), quad);
    if (!found?.reading.again) return [];
    const { again, ...first } = found.reading;
    const second = proposeFields(readAlone(first, again));
    const wanted = wantedOfPrinted(printed);
    return scoredFields(draftFields(first), weights).flatMap((proposal): Judged[] => {
      const right = proposal.phoneKind === 'fax' ? undefined : isRight(proposal, wanted);
      if (!groupOfField(proposal.field) || right === undefined) return [];
      const features = featuresOfBoth(proposal, witnessOf(proposal, first, again, second));
      return [{ group: 'all', sample: { features, right } }];
    });
  });
}

const { fit, choose } = await readParts(Number(values.rounds), false);
const partOf = (is: (i: number) => boolean): ReadPart => {
  const kept = fit.drawn.flatMap((_, i) => (is(i) ? [i] : []));
  const desk = kept.flatMap((from, to) => fit.desk.filter(({ photoId }) => photoId === String(from)).map((card) => ({ ...card, photoId: String(to) }))); // prettier-ignore
  return { drawn: kept.map((i) => fit.drawn[i]!), desk };
};
const judged = Array.from({ length: FOLDS }, (_, fold) => {
  const weights = fitOnce(partOf((i) => i % FOLDS !== fold), choose, true); // prettier-ignore
  return judgedTwice(partOf((i) => i % FOLDS === fold), weights); // prettier-ignore
}).flat();
writeWeights('again/weights.ts', 'WEIGHTS_AGAIN', '../confidence', fitGroups(judged, judgedTwice(choose), { known: DIRECTIONS, fewest: FEWEST, byBoth: true })); // prettier-ignore
