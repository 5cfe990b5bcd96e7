import { fold } from '../fold';
import { wordList } from './wordList';

/**
 * Words of positions and departments that are always spelled with accents, in French, Portuguese, Spanish,
 * German, Swedish, Danish, Norwegian, Finnish and Polish. Left out is what is a word without them elsewhere
 * ("general", "direktor", "tecnico", "ingenieur").
 */
const WORDS = `
  maître maîtresse gérant gérante délégué déléguée secrétaire vétérinaire médecin opérateur développeur développeuse
  préparateur préparatrice pâtissier pâtissière ébéniste électricien électricienne associée chargée télévente qualité
  comptabilité sécurité
  síndica agrícola comunicação produção direção operações gestão exportação importação manutenção relações serviços responsável
  producción dirección administración operaciones exportación importación atención
  geschäftsführer geschäftsführerin geschäftsführung geschäftsleitung öffentlichkeitsarbeit führung führungskraft präsident präsidentin ärztin oberärztin händler händlerin verkäufer verkäuferin einkäufer einkäuferin gärtnerin
  käserin kältetechnik qualitätssicherung schlüsselkunden außendienst büroleiter büroleiterin
  försäljningschef försäljare säljare säljchef inköpschef inköpare verkställande ägare delägare kundtjänst
  sælger indkøber værkfører tømrermester økonomichef økonomi rådgiver
  innkjøper økonomisjef
  myyntipäällikkö päällikkö hankintapäällikkö
  właściciel właścicielka główny główna księgowy księgowa sprzedaż
`;

/**
 * Words of firms, streets and towns that have accents, for where the engine was in doubt of one; left out is what is
 * a word or name without them somewhere ("depot", "Leon", "Munster").
 */
const ELSEWHERE = `
  tømrer tømrermester møbler bådeværft værft smørrebrød nørre østre østergade nørregade sønder sønderjylland ågade århus køge helsingør næstved rønne
  østerbro vesterå trøndelag tromsø ålesund færder ørsta
  östra västra södra nygård rådhusgatan järnvägsgatan malmö göteborg örebro västerås linköping norrköping jönköping umeå luleå gävle borås växjö
  måleri åkeri
  itäinen läntinen pitkä hämeenkatu jyväskylä hämeenlinna seinäjoki järvenpää
  grüne königstraße mühlenweg mühle schloßstraße bäckerei gärtnerei möbel küchen türen aufzüge kältetechnik geflügel käserei
  münchen köln düsseldorf nürnberg zürich lübeck würzburg göttingen tübingen saarbrücken osnabrück mönchengladbach gütersloh fürth
  écluse église école maréchal château forêt vallée étoile côte île
  bâtiment étage besançon saint-étienne nîmes angoulême béziers genève neuchâtel liège
  são praça conceição república joão florianópolis goiânia brasília maringá niterói
  constitución estación málaga córdoba cádiz logroño almería
  świętego łódź kraków gdańsk wrocław poznań białystok częstochowa rzeszów toruń długa główna młyńska kościuszki piłsudskiego
`;

/** The spelling of a word with its accents, by its letters without them. */
const spellings = (words: string): ReadonlyMap<string, string> =>
  new Map(
    words
      .split(/\s+/)
      .filter((word) => word && fold(word) !== word)
      .map((word) => [fold(word), word]),
  );

export const accentedWords = spellings(WORDS);
export const perhapsAccentedWords = spellings(WORDS + ELSEWHERE);

/** Names and places of Scandinavia that begin with Å, without it; none of them is a name with Ä in its place. */
export const ringWords = wordList(`
  aberg akerlund akerberg akerman akerstrom akerblom akesson ahlen ahlin ahlund ahman ahs ake asa ase asberg asbrink aslund astrom astrand
  ashild asmund aslaug age agot agren alund anas angstrom akervall akerstedt arhus alborg alesund aland arsta amal akersberga agard aseda
`);
