import { fold } from '../../text';

/**
 * Given and family names that are always spelled with accents in the countries before them. Left out is what is usual there
 * without them as well ("Maria", "Andre" in Germany, "Jose" in Brazil).
 */
const NAMES: readonly (readonly [countries: string, names: string])[] = [
  [
    'DE AT CH',
    `Jörg Jürgen Björn Sören Rüdiger Götz Günter Günther Jörn Bärbel Käthe Dörte Müller Krüger Schäfer Köhler König Jäger
     Schröder Böhm Krämer Böttcher Schütz Schütte Göbel Kühn Lübke Möller Hübner Grünwald Wölfle Brändli Bürgi Hürlimann Müllner
     Köster Häusler Bäuerle Löffler Häberle Schöller Wörner Fröhlich Nägele Rößler`,
  ],
  [
    'FR BE CH CA LU',
    `Amélie Aurélie Élodie Hélène Frédéric Frédérique Jérôme Stéphane Stéphanie Sébastien Béatrice Valérie Céline Mélanie Gérard René
     Renée Léa Noémie Raphaël Raphaëlle Gaël Gaëlle Joël Joëlle Mickaël Cédric Aimée Éric Émile Émilie Étienne Édouard Élise Zoé Chloé
     Maëlle Maël Loïc Benoît François Françoise Thérèse Geneviève Agnès Grégory Rémi Rémy Thaïs Anaïs Jérémy Jérémie Éloïse Solène
     Théo Gaétan Adélaïde Adèle Cécile Clément Clémence Daphné Éléonore Eugénie Félix Félicité Irène Ève Inès Joséphine Léon
     Léonie Mathéo Médéric Ophélie Pénélope Régis Séverine Séverin Sylvère Théodore Noël Noëlle
     Valéry Véronique Hervé Andrée`,
  ],
  [
    'ES',
    `Begoña Íñigo Iñaki José Jesús Andrés Ángel Ángela Ángeles Álvaro Óscar Raúl Víctor Héctor Inés Mónica Verónica Rocío Adrián
     Joaquín Martín Tomás Iván Rubén Lucía Belén Nicolás Sebastián Fermín Concepción Asunción Germán Hernán Julián Ramón Simón Agustín
     Benjamín Cristóbal César Félix Gastón Matías Moisés Úrsula García López Martínez Rodríguez Hernández Fernández González
     Sánchez Pérez Gómez Jiménez Díaz Álvarez Muñoz Núñez Ibáñez Peña Ordóñez Yáñez Vázquez Domínguez Gutiérrez Suárez Ramírez Benítez
     Méndez Márquez Cortés Velázquez Giménez Peñalver Cañizares Zúñiga Larrañaga Oñate Ureña Castaño Galán Beltrán Marín Durán
     Roldán Guzmán Millán Ramón Alarcón Calderón Garzón León Rincón`,
  ],
  [
    'PT BR',
    `João Gonçalo Conceição Inês Sérgio Fábio Flávio Cláudia Cláudio Patrícia Heloísa Lúcia Márcia Márcio Vinícius Antônio António
     Mônica Mónica Luís Estêvão Simão Sebastião Damião Guimarães Magalhães Falcão Brandão Leitão Conceição Assunção Gusmão
     Araújo Gonçalves Estêvão`,
  ],
  [
    'SE',
    `Björn Göran Sören Håkan Åke Åsa Pär Mårten Örjan Jörgen Märta Östen Torbjörn Gösta Börje Öberg Åberg Ström Sjöberg Sjögren
     Söderberg Söderström Lindström Bergström Engström Nordström Hedström Åström Hägglund Håkansson Jönsson Mårtensson
     Björk Björklund Åkerblom Åkesson Åkerman Löfgren Hellström Strömberg Höglund Sandström Högberg Öhman Västerlund`,
  ],
  [
    'NO DK',
    `Øystein Bjørn Jørgen Håkon Åse Øyvind Kåre Bård Pål Ståle Torbjørn Asbjørn Ingebjørg Sigbjørn Søren Jørn Bjørg Håvard Åsmund
     Gudbjørg Rønnaug Sjøberg Ødegård Bjørnstad Kjær Nørgaard Sørensen Jørgensen Møller Østergaard Kjærgaard Højgaard
     Nygård Østby Kvåle Tønnessen Bjørnsen Søndergaard Bækgaard Mørch `,
  ],
  [
    'FI',
    `Päivi Väinö Mäkinen Hämäläinen Järvinen Määttä Mäkelä Kärkkäinen Pöllänen Hyvönen Lämsä Räsänen Väisänen Pääkkönen Yrjö
     Niemelä Heikkilä Seppälä Kähkönen Mönkkönen Töyrylä Lähteenmäki`,
  ],
  ['IE', `Ó Caoimhín Dáithí Mícheál Róisín`],
  [
    'PL',
    `Małgorzata Paweł Michał Rafał Łukasz Sławomir Mirosław Jarosław Zdzisław Wiesław Stanisław Władysław Bolesław Przemysław Bogusława
     Grażyna Bożena Elżbieta Święcicki Wójcik Wójcicki Dąbrowski Dąbrowska Woźniak Kozłowski Kozłowska Michałowski Król Górski Górska
     Wróbel Zając Piątek Kołodziej Pawłowski Pawłowska Wałęsa Głowacki Głowacka Włodarczyk Błaszczyk Gołąbek Kędzierski
     Olędzki Sawiński Grzęda Dębski Dębska Mędrek Stanisława Wiesława Zdzisława Mirosława Jarosława Sławomira Mieczysław Mieczysława
     Czesław Czesława Wacław Wacława Radosław Radosława Lesław Bogusław Bartłomiej Miłosz Jędrzej Łucja Róża
     Wiśniewski Wiśniewska Piątkowski Piątkowska Wróblewski Wróblewska Sokołowski Sokołowska Więckowski Więckowska Gąsiorowski
     Gąsiorowska Świderski Świderska Świątek Śliwa Ślusarczyk Świerczewski Ziółkowski Ziółkowska Stępień Stępniak Kaźmierczak
     Mikołajczyk Jóźwiak Kozieł Mróz Zięba Pająk Pękala Wąsik Bąk Książek Jędrzejewski Jędrzejczak Jarząbek Jarzębski Jarzębska
     Gałązka Kądziela Kędzierska Łuczak Łukasik Ławniczak Łukaszewski Łukaszewska Żak Żuk Żurek Żurawski Żurawska
     Cieślak Cieśla Gołębiowski Gołębiewski Orłowski Orłowska Kiełbasa Pawlęga Sęk Strzałka Szczęsny Trąbka
     Węgrzyn Wójtowicz Żelazny Głąb Głuchowski Bębenek Błażejewski Chłopek Dłuski`,
  ],
];

const spellings = new Map(
  NAMES.flatMap(([countries, names]) =>
    countries
      .split(' ')
      .flatMap((country) =>
        names.split(/\s+/).map((name): [string, string] => [`${country} ${fold(name)}`, name.toLowerCase()]),
      ),
  ),
);

/** Kamiński, Zielińska: hardly one name with this ending is spelled without the accent. */
const POLISH_ENDING = /(?<=[aeiouy])n(?=sk[ia]$)/;

/** Whether a word is a spelling without some of its marks, and with no others: "gołabek". */
const hasLostMarks = (word: string, spelled: string): boolean =>
  word.length === spelled.length &&
  [...word].every((letter, i) => letter === spelled[i] || letter === fold(spelled[i]!));

/** The same where an ł was read as a t: "Wiestawa". */
function withStrokes(plain: string): string | undefined {
  for (const { index } of plain.matchAll(/(?<=.)t/g)) {
    const name = `${plain.slice(0, index)}ł${plain.slice(index + 1)}`;
    const listed = spellings.get(`PL ${fold(name)}`);
    if (listed?.[index] === 'ł' && hasLostMarks(name, listed)) return listed;
  }
  return undefined;
}

/** All names of the table, in small letters without accents. */
export const accentedNames = (): string[] => NAMES.flatMap(([, names]) => names.split(/\s+/).filter(Boolean).map(fold));

/** Whether a name is spelled with the accents that it always has in a country. */
export const hasItsAccents = (name: string, country: string | undefined): boolean =>
  spellings.get(`${country} ${fold(name)}`) === name.toLowerCase();

/** How a name that was read without one of its accents is spelled in a country, in small letters and of the same length; if it is one of those. */
export function accentedName(name: string, country: string | undefined): string | undefined {
  const plain = name.toLowerCase();
  const listed = spellings.get(`${country} ${fold(name)}`);
  if (listed && listed !== plain && hasLostMarks(plain, listed)) return listed;
  if (country !== 'PL') return undefined;
  const ended = plain.replace(POLISH_ENDING, 'ń');
  return ended === plain ? withStrokes(plain) : ended;
}
