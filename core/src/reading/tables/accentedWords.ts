import { fold } from '../fold';

/**
 * Words of positions and departments that are always spelled with accents, in French, Portuguese, Spanish,
 * German, Swedish, Danish, Norwegian, Finnish and Polish. Left out is what is a word without them elsewhere
 * ("general", "direktor", "tecnico", "ingenieur").
 */
const WORDS = `
  maître maîtresse gérant gérante délégué déléguée secrétaire vétérinaire médecin opérateur développeur développeuse
  préparateur préparatrice pâtissier pâtissière ébéniste électricien électricienne associée chargée télévente qualité
  comptabilité sécurité
  produção direção operações gestão exportação importação manutenção relações serviços responsável
  producción dirección administración operaciones exportación importación atención
  geschäftsführer geschäftsführerin geschäftsführung geschäftsleitung verkäufer verkäuferin einkäufer einkäuferin gärtnerin
  käserin kältetechnik qualitätssicherung schlüsselkunden außendienst büroleiter büroleiterin
  försäljningschef försäljare säljare säljchef inköpschef inköpare verkställande ägare delägare kundtjänst
  sælger indkøber værkfører tømrermester økonomichef økonomi rådgiver
  innkjøper økonomisjef
  myyntipäällikkö päällikkö hankintapäällikkö
  właściciel właścicielka główny główna księgowy księgowa sprzedaż
`;

/** The spelling of a word with its accents, by its letters without them. */
export const accentedWords: ReadonlyMap<string, string> = new Map(
  WORDS.split(/\s+/)
    .filter((word) => word && fold(word) !== word)
    .map((word) => [fold(word), word]),
);
