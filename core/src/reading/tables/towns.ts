import { wordList, type WordList } from '../../text/tables/wordList';

/** The larger and better known towns of a country, without blanks, where few others have one of that name. */
const TOWNS: Readonly<Record<string, string>> = {
  GB: `london birmingham leeds glasgow sheffield bradford edinburgh liverpool manchester bristol cardiff leicester coventry nottingham hull
    stoke-on-trent sunderland wolverhampton derby swansea southampton portsmouth plymouth brighton norwich exeter gloucester cheltenham
    swindon ipswich peterborough middlesbrough huddersfield aberdeen dundee inverness belfast`,
  IE: 'dublin cork limerick galway waterford drogheda dundalk swords sligo ennis kilkenny tralee athlone letterkenny wexford',
  DE: `berlin hamburg münchen köln frankfurt stuttgart düsseldorf leipzig dortmund essen bremen dresden hannover nürnberg duisburg bochum
    wuppertal bielefeld bonn münster karlsruhe mannheim augsburg wiesbaden mönchengladbach gelsenkirchen braunschweig aachen kiel chemnitz
    magdeburg freiburg krefeld mainz lübeck erfurt oberhausen rostock kassel saarbrücken potsdam ludwigshafen oldenburg osnabrück heidelberg
    darmstadt regensburg ingolstadt würzburg ulm heilbronn pforzheim göttingen trier koblenz jena bamberg bayreuth kempten flensburg passau`,
  AT: 'wien graz linz salzburg innsbruck klagenfurt villach wels dornbirn steyr feldkirch bregenz leonding klosterneuburg leoben krems',
  CH: 'zürich genève basel lausanne bern winterthur luzern lugano biel thun fribourg schaffhausen chur neuchâtel sion uster zug yverdon olten aarau',
  FR: `paris marseille lyon toulouse nice nantes montpellier strasbourg bordeaux lille rennes reims toulon grenoble dijon angers nîmes
    villeurbanne clermont-ferrand limoges tours amiens perpignan metz besançon orléans mulhouse rouen caen nancy avignon poitiers brest
    quimper lorient annecy bayonne colmar valence chambéry`,
  BE: 'antwerpen gent charleroi liège brussel bruxelles brugge namur leuven mons mechelen aalst kortrijk hasselt oostende genk roeselare tournai',
  NL: `amsterdam rotterdam utrecht eindhoven groningen tilburg almere breda nijmegen apeldoorn arnhem haarlem enschede amersfoort zaandam
    zwolle leiden leeuwarden maastricht dordrecht alkmaar delft deventer hilversum`,
  ES: `madrid barcelona valencia sevilla zaragoza málaga murcia palma bilbao alicante córdoba valladolid vigo gijón hospitalet vitoria
    coruña granada elche oviedo badalona terrassa sabadell jerez pamplona almería donostia santander burgos albacete castellón logroño
    badajoz salamanca huelva lleida tarragona león cádiz ourense girona lugo`,
  PT: 'lisboa porto braga coimbra funchal setúbal aveiro évora faro leiria viseu guimarães matosinhos almada guarda beja portimão olhão',
  IT: `roma milano napoli torino palermo genova bologna firenze bari catania venezia verona messina padova trieste brescia parma prato modena
    reggio ravenna livorno cagliari foggia rimini salerno ferrara sassari monza bergamo pescara vicenza terni forlì trento novara piacenza
    ancona udine arezzo cesena lecce pesaro treviso bolzano cremona mantova lodi pavia lecco varese asti cuneo alessandria biella savona
    lucca pistoia siena grosseto perugia viterbo benevento caserta potenza matera cosenza catanzaro brindisi taranto siracusa belluno rovigo`,
  SE: `stockholm göteborg malmö uppsala västerås örebro linköping helsingborg jönköping norrköping lund umeå gävle borås södertälje eskilstuna
    halmstad växjö karlstad sundsvall östersund trollhättan luleå kalmar falun skövde`,
  DK: 'københavn aarhus århus odense aalborg ålborg esbjerg randers kolding horsens vejle roskilde herning silkeborg hørsholm helsingør næstved',
  NO: 'oslo bergen trondheim stavanger drammen fredrikstad kristiansand sandnes tromsø sarpsborg skien ålesund sandefjord haugesund bodø molde',
  FI: 'helsinki espoo tampere vantaa oulu turku jyväskylä lahti kuopio pori kouvola joensuu lappeenranta vaasa seinäjoki rovaniemi hämeenlinna',
  PL: `warszawa kraków łódź wrocław poznań gdańsk szczecin bydgoszcz lublin białystok katowice gdynia częstochowa radom toruń sosnowiec
    kielce rzeszów gliwice zabrze olsztyn bielsko-biała zakopane opole tychy gorzów`,
  BR: `brasília fortaleza curitiba manaus recife goiânia campinas florianópolis joinville londrina niterói maceió natal teresina cuiabá
    aracaju sorocaba uberlândia blumenau maringá`,
  US: `chicago houston philadelphia phoenix dallas austin jacksonville columbus charlotte indianapolis seattle denver boston nashville detroit
    memphis baltimore milwaukee albuquerque tucson fresno sacramento omaha minneapolis tulsa oakland wichita pittsburgh cincinnati`,
  CA: 'toronto montréal vancouver calgary edmonton ottawa winnipeg québec laval gatineau saskatoon regina sherbrooke moncton',
  AU: 'sydney melbourne brisbane adelaide canberra geelong hobart townsville cairns toowoomba ballarat bendigo',
  NZ: 'auckland wellington christchurch tauranga dunedin napier nelson rotorua',
  ZA: 'johannesburg pretoria durban bloemfontein stellenbosch polokwane',
  CZ: 'praha brno ostrava plzeň liberec olomouc pardubice zlín',
  HU: 'budapest debrecen szeged miskolc pécs győr szolnok',
};

export const townNames: readonly string[] = Object.values(TOWNS).flatMap((names) => wordList(names).entries);

const towns = Object.entries(TOWNS).map(([country, names]): [string, WordList] => [country, wordList(names)]);

/** Countries that are known for a town, of all that a text names. */
export const countriesOfTowns = (text: string): string[] => {
  const words = text.split(/[\s,;()/|·•]+/).filter((word) => word.length > 2);
  return towns.filter(([, names]) => words.some((word) => names.has(word))).map(([country]) => country);
};
