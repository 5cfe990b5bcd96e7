import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readingOfText } from '@dossier/core/reading';
import type { RoleWeights, WordKindModel } from '@dossier/core/reading/roles';
import { textsOf, type ReadPart } from './drawnParts';
import { readParts } from './fitParts';
import { fitWords } from './fitWords';
import { fitChoice, rightOf } from './jointChoice';
import { asidesOf, casesOf, FITTED, lacking, Places, toldOf, unknownWords, withAside, type Case } from './roleCases';
import { ROLES_BY_HAND } from './rolesByHand';

const FILE = join(dirname(fileURLToPath(import.meta.url)), '../../core/src/reading/roles/weights.ts');

/**
 * How often cards are like the ones that were drawn, typed as they are, where a word of one kind is in no table, where none is, where an aside stands in the place of a title,
 * and where there is no title or firm.
 */
const SHARES = { drawn: 1, typed: 0.5, oneUnknown: 0.4, allUnknown: 0.2, aside: 0.08, noTitle: 0.15, noCompany: 0.15 };
/** How often each text was drawn. */
const DRAWN = 2;
/** Weights that moved most, which are told. */
const MOST_TOLD = 20;
/** So much a squared distance from what was thought before costs, in log-likelihood. */
const PENALTY = 1;

/** Cards of a part by what is different on them. */
function kindsOfCards(part: ReadPart, asides: readonly string[], places: Places, models: readonly WordKindModel[]): Record<keyof typeof SHARES, Case[]> {
  const told = toldOf(part);
  const drawn = casesOf(told, places);
  const without = (role: 'title' | 'company') => casesOf(told.flatMap((one, i) => lacking(one, role, drawn[i]!) ?? []), places);
  const kinds = {
    drawn,
    typed: casesOf(told.map((one) => ({ ...one, reading: readingOfText(one.lines.join('\n')) })), places),
    oneUnknown: drawn.map((one, i) => unknownWords(one, [FITTED[i % FITTED.length]!], places, models)),
    allUnknown: drawn.map((one) => unknownWords(one, FITTED, places, models)),
    aside: casesOf(told.flatMap((one, i) => withAside(one, drawn[i]!, asides[i % asides.length]!) ?? []), places),
    noTitle: without('title'),
    noCompany: without('company'),
  };
  const shared = (kind: keyof typeof SHARES) => kinds[kind].map((one) => ({ ...one, share: SHARES[kind] }));
  return { drawn: shared('drawn'), typed: shared('typed'), oneUnknown: shared('oneUnknown'), allUnknown: shared('allUnknown'), aside: shared('aside'), noTitle: shared('noTitle'), noCompany: shared('noCompany') };
} // prettier-ignore

/** Fits what each thing that speaks for a role is worth, and writes it into the core. */
async function fitRoles(): Promise<void> {
  const { fit, choose } = await readParts(DRAWN, false);
  const models = fitWords().without;
  const places = new Places();
  const own = kindsOfCards(fit, asidesOf(textsOf('fit')), places, models);
  const held = kindsOfCards(choose, asidesOf(textsOf('choose')), places, models);
  const group = (name: string) => name.split('.') as [keyof RoleWeights, string];
  const before = Float64Array.from(places.names, (name) => ROLES_BY_HAND[group(name)[0]][group(name)[1]] ?? 0);
  const fitted = fitChoice(Object.values(own).flat(), before, PENALTY);
  for (const [label, parts] of [['fitted to', own], ['held out', held]] as const)
    for (const [kind, cases] of Object.entries(parts)) {
      const [was, is] = [rightOf(cases, before), rightOf(cases, fitted)];
      console.log(`${label} ${kind}: of ${cases.length} ${(['all', ...FITTED] as const).map((role) => `${role} ${was[role]} → ${is[role]}`).join(', ')}`);
    }
  const moved = places.names.map((name, j) => ({ name, by: fitted[j]! - before[j]! })).toSorted((a, b) => Math.abs(b.by) - Math.abs(a.by)).slice(0, MOST_TOLD);
  console.log(moved.map(({ name, by }) => `${name} ${by > 0 ? '+' : ''}${by.toFixed(1)}`).join(', '));
  const weights = structuredClone(ROLES_BY_HAND) as Record<string, Record<string, number>>;
  places.names.forEach((name, j) => (weights[group(name)[0]]![group(name)[1]] = Number(fitted[j]!.toFixed(2))));
  writeFileSync(FILE, `import type { RoleWeights } from './models';\n\n/** Written by \`npm run fit:roles\`. */\nexport const ROLE_WEIGHTS: RoleWeights = ${JSON.stringify(weights, null, 2)};\n`);
} // prettier-ignore

await fitRoles();
