/** Made-up but likely names for registers that matching is measured on. */
const words = (text: string): string[] => text.trim().split(/\s+/);

export const GIVEN_NAMES = words(`
  Anna Thomas Maria Peter Robert Katherine Michael Elizabeth William James Margaret Johannes Christine Alexander Stefan Susanne
  Andrew Richard Barbara Joseph Charles Edward Helen Daniel Matthew Rebecca Samuel Jennifer Nicholas Victoria Benjamin Patricia
  Christopher David Steven Anthony Gerald Theodore Dorothy Frances Deborah Ronald Timothy Gregory Jonathan Jacob Heinrich Friedrich
  Wilhelm Ulrich Matthias Sebastian Katharina Gabriele Ursula Angelika Brigitte Wolfgang Joachim Manfred Åsa Björn Søren Øyvind Jürgen
  François Hélène André Zoë Noémie José María Francisco Guadalupe Ignacio Eduardo Giuseppe Giovanni Francesca Alessandra Małgorzata
  Wojciech Zbigniew Łukasz Katarzyna Henrik Cornelis Willem Adriaan Pieter Marieke Jacobus Sven Ingrid Solveig Astrid Gunnar Leif
  Karl-Heinz Anna-Lena Hans-Peter Marie-Claire Ottilie Idris Nella Oswin Tamsin Corwin Isolde Merrick Petronella Leopold Rosalind
  Valentin Beatrice Clementine Augustin Marguerite Vincent Lorenzo Caroline Leonard Philippa Rupert Georgina Harold Winifred Eleanor
  Olga Dmitri Irina Yuri Natalia Priya Arjun Meera Kenji Yuki Amara Kofi Leila Omar Farid Yasmin
`);

const HEADS = words(`
  Har Bram Thorn Ash Quill Tide Fern Gold Whit Black Red Stone Oak Elm Win Hol Mar Wes Nor Sut East Lang Short Green Cold Fair High
  Low Mill Brad Ship Strand Hag Lind Berg Wald Stein Eich Hof Kalt Roth Weiss Grün Brück Müh Schön König Bach Dorn Falk Kron Ost
  Nyq Sjö Sand Hed Ek Dal Ny Kvist Sko Vester Bel Mont Clair Beau Font Char Bois Val Rou Des Car Mont Ros Cast Fer Nav Alv Mor
`);
const TAILS = words(`
  row ton ford field ley wood well worth by ham stead ridge shaw croft man son berg feld hausen mann bauer hofer stein heim dorf
  ström lund gren qvist dal holm vik sen rup gaard mont court ville eau ard ier ez es illo ado era anni etti ini owski ewicz czak
`);

/** Family names put together from syllables; the first ones are the frequent ones. */
export const FAMILY_NAMES = [
  ...words(`Voss Brandt Falconer Aldous Moss Kelder Meier Schmidt Müller Weber Fischer Lindqvist Berg Hansen Olsen Nilsson Smith
    Carter Ward Hughes Murphy Kelly Walsh Martin Bernard Petit García López Fernández Rossi Ferrari Nowak Kowalski Wiśniewski Dubois
    O'Rourke McAllister MacGregor Fitzgerald Van~Dijk De~Vries Van~der~Meer Von~Arnim D'Amico St.~Clair`).map((name) =>
    name.replace(/~/g, ' '),
  ),
  ...HEADS.flatMap((head, i) => TAILS.filter((_, k) => (i * 7 + k * 3) % 5 < 2).map((tail) => head + tail)),
];

export const TITLES = words(`
  Buyer Head~of~Cold~Chain Dispatch~Lead Managing~Director Plant~Manager Sales~Manager Technician Quality~Manager Operations~Director
  Purchasing~Manager Site~Engineer Owner Warehouse~Manager Maintenance~Engineer Production~Lead Einkaufsleiter Geschäftsführer
  Betriebsleiter Responsable~Achats Directrice~Technique Inköpschef Platschef Service~Coordinator Facilities~Manager Logistics~Planner
`).map((title) => title.replace(/~/g, ' '));

export const TRADES = words(
  `Creamery Fisheries Bakery Brewery Orchards Dairies Foods Coldstores Logistics Provisions Meats Packers Growers Mills Smokehouse`,
);
export const FORMS = ['Ltd', 'GmbH', 'plc', '& Co. KG', 'AB', 'Inc.', 'S.A.', '', '', ''];
export const TOWNS = words(
  `Port~Ellery Tarnmoor Skerrivore Quaybridge Nordhaven Ashmere Brackwater Kelmouth Saltmarsh Holmby Wexcombe Dunraven Fjordvik Grünau Rocheville`,
).map((town) => town.replace(/~/g, ' '));
export const STREETS = [
  'Quay Road',
  'Station Street',
  'Mill Lane',
  'Dock Street',
  'Harbour Way',
  'Market Square',
  'Church Road',
  'Orchard Lane',
  'Hafenstraße',
  'Bahnhofstraße',
  'Rue du Port',
  'Hamngatan',
];

/** Short forms as people print them on cards. */
export const SHORT: Readonly<Record<string, readonly string[]>> = {
  Thomas: ['Tom', 'Tommy'], Robert: ['Bob', 'Rob', 'Bobby'], Katherine: ['Kate', 'Kathy', 'Katie'], Michael: ['Mike', 'Mick'],
  Elizabeth: ['Liz', 'Beth', 'Betty', 'Libby'], William: ['Bill', 'Will', 'Billy'], James: ['Jim', 'Jamie'], Margaret: ['Maggie', 'Peggy', 'Meg'],
  Johannes: ['Hans', 'Hannes', 'Jan'], Christine: ['Chris', 'Tina'], Alexander: ['Alex', 'Sascha', 'Sandy'], Stefan: ['Steffen'],
  Andrew: ['Andy', 'Drew'], Richard: ['Dick', 'Rick', 'Rich'], Barbara: ['Babs', 'Barb'], Joseph: ['Joe'], Charles: ['Charlie', 'Chuck'],
  Edward: ['Ted', 'Ed', 'Ned'], Helen: ['Nell'], Daniel: ['Dan'], Matthew: ['Matt'], Rebecca: ['Becky'], Samuel: ['Sam'], Jennifer: ['Jen', 'Jenny'],
  Nicholas: ['Nick', 'Nico'], Victoria: ['Vicky'], Benjamin: ['Ben'], Patricia: ['Pat', 'Trish'], Christopher: ['Chris', 'Kit'], David: ['Dave'],
  Steven: ['Steve'], Anthony: ['Tony'], Gerald: ['Gerry'], Theodore: ['Ted', 'Theo'], Dorothy: ['Dot', 'Dolly'], Frances: ['Fran', 'Fanny'],
  Deborah: ['Debbie'], Ronald: ['Ron'], Timothy: ['Tim'], Gregory: ['Greg'], Jonathan: ['Jon'], Jacob: ['Jake'], Heinrich: ['Heinz', 'Heiner'],
  Friedrich: ['Fritz'], Wilhelm: ['Willi'], Ulrich: ['Uli'], Matthias: ['Matze'], Sebastian: ['Basti', 'Bastian'], Katharina: ['Kathi', 'Katja'],
  Gabriele: ['Gabi'], Ursula: ['Uschi', 'Ulla'], Joachim: ['Jochen'], Manfred: ['Manni'], Francisco: ['Paco'], Guadalupe: ['Lupe'], Ignacio: ['Nacho'],
  Giuseppe: ['Beppe'], Giovanni: ['Gianni'], Małgorzata: ['Gosia'], Wojciech: ['Wojtek'], Zbigniew: ['Zbyszek'], Katarzyna: ['Kasia'], Henrik: ['Henk'],
  Cornelis: ['Kees', 'Cor'], Willem: ['Wim', 'Pim'], Pieter: ['Piet'], Jacobus: ['Jaap', 'Koos'], Leonard: ['Len'], Philippa: ['Pippa'], Georgina: ['Georgie'],
  Harold: ['Harry'], Winifred: ['Winnie'], Eleanor: ['Nora', 'Ellie'], Caroline: ['Caro'], Valentin: ['Val'],
}; // prettier-ignore
