/** Words of company names as they are shortened, folded, with what they stand for. */
const ABBREVIATIONS = new Map(
  `intl international|int international|mfg manufacturing|mfr manufacturing|bros brothers|gebr gebruder|gbr gebruder|assoc associates|assocs associates|svc services|svcs services|serv services|tech technologies|technology technologies|techn technologies|eng engineering|engg engineering|dept department|mgmt management|mgt management|natl national|grp group|hldg holding|hldgs holding|holdings holding|dist distribution|distr distribution|ind industries|inds industries|industrie industries|ent enterprises|entpr enterprises|univ university|inst institute|lab laboratories|labs laboratories|sys systems|system systems|sol solutions|sols solutions|solution solutions|prod products|prods products|log logistics|logistik logistics|transp transport|mktg marketing|comm communications|comms communications|cons consulting|consult consulting|consultants consulting|const construction|constr construction|equip equipment|hosp hospital|pharm pharmaceuticals|pharma pharmaceuticals|elec electric|electr electric|auto automotive|agri agricultural|ctr centre|center centre|cent centre|st saint|ste sainte|mt mount|cie company|soc societe|ets etablissements|sped spedition|masch maschinenbau|elektr elektro`
    .split('|')
    .map((pair) => pair.split(' ') as [string, string]),
);

/** Words that say nothing about which firm it is. */
const FILLERS = new Set([
  'the',
  'and',
  'und',
  'et',
  'y',
  'e',
  'og',
  'och',
  'en',
  'i',
  'de',
  'of',
  'der',
  'die',
  'das',
  'la',
  'le',
  'les',
  'el',
  'los',
]);

export const spelledOut = (word: string): string => ABBREVIATIONS.get(word) ?? word;

export const isFiller = (word: string): boolean => FILLERS.has(word);
