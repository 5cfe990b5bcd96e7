import { wordList } from '../../text/tables/wordList';

/** Words (with `*`: endings and beginnings) that speak for a street line. */
export const streetWords = wordList(`
  street st road rd avenue ave av lane ln drive dr court ct close crescent cres place pl square sq terrace way row mews gardens grove hill
  parade park parkway pkwy quay wharf boulevard blvd highway hwy circle cir trail esplanade walk yard green gate embankment broadway rise mall
  unit suite ste floor fl building bldg house block shed box room level apt flat studio po~box p.o.~box center centre estate industrial business
  northgate southgate eastgate westgate
  *strasse *str *straße *weg *platz *allee *gasse *ring *damm *ufer *hof *steig *chaussee strasse weg platz allee gasse am an im auf zum zur hof hafen markt
  rue avenue boulevard bd place chemin impasse allee quai route cours passage square faubourg zone za zi bp cedex lieu-dit lieudit hameau traverse venelle montee sentier ruelle lotissement esplanade allees
  calle c/ ctra avenida avda av plaza paseo carrer camino cami carretera ronda poligono poligon pol travesia glorieta paraje barrio puerto nave nau muelle moll pago pujada
  rua avenida travessa praca largo alameda estrada rodovia quinta sala andar lote loja bairro herdade
  cais via viale piazza piazzale molo corso largo vicolo strada contrada localita loc borgo lungomare
  *straat *laan *weg *plein *kade *gracht *singel *dijk *steeg straat laan plein kade gracht postbus
  *gatan *gata *vagen *vag *grand *torget *gate *gaten *vej *gade *vejen *alle *veien *vei *plads *plass *torv *stien *stigen *brygga *kaj vej gade gate postboks box
  *katu *tie *kuja *polku *tori *puisto pl
  ul ulica al aleja pl plac os osiedle
  stryd heol ffordd sraid bothar
`);

/** Counties of Great Britain that are written behind a town and are no town themselves, without blanks. */
export const counties = wordList(`
  avon bedfordshire beds berkshire berks buckinghamshire bucks cambridgeshire cambs cheshire cleveland cornwall cumbria derbyshire devon dorset
  eastsussex westsussex sussex essex gloucestershire glos hampshire hants herefordshire hertfordshire herts humberside kent lancashire lancs
  leicestershire leics lincolnshire lincs merseyside middlesex middx norfolk northamptonshire northants northumberland northyorkshire
  southyorkshire westyorkshire eastyorkshire yorkshire nyorks nottinghamshire notts oxfordshire oxon rutland shropshire salop somerset
  staffordshire staffs suffolk surrey tyneandwear warwickshire westmidlands wiltshire wilts worcestershire worcs isleofwight
  aberdeenshire angus argyll ayrshire banffshire berwickshire caithness clackmannanshire dumfriesshire dunbartonshire eastlothian midlothian
  westlothian fife inverness-shire kinross-shire lanarkshire morayshire peeblesshire perthshire renfrewshire ross-shire roxburghshire
  selkirkshire stirlingshire sutherland wigtownshire anglesey ceredigion clwyd conwy denbighshire dyfed flintshire gwent gwynedd
  torfaen caerphilly blaenaugwent rhonddacynontaff neathporttalbot valeofglamorgan argyllandbute perthandkinross scottishborders dumfriesandgalloway
  northayrshire eastayrshire southayrshire northlanarkshire southlanarkshire orkney shetland highland moray
  midglamorgan southglamorgan westglamorgan monmouthshire pembrokeshire powys carmarthenshire
`);

/** ISO 3166 codes of the countries whose addresses and numbers are read, by the names printed for them. */
export const countryNames: Readonly<Record<string, string>> = {
  'united kingdom': 'GB', uk: 'GB', 'u.k.': 'GB', england: 'GB', scotland: 'GB', wales: 'GB', 'northern ireland': 'GB', 'great britain': 'GB', gb: 'GB',
  ireland: 'IE', eire: 'IE', usa: 'US', 'u.s.a.': 'US', us: 'US', 'united states': 'US', 'united states of america': 'US',
  canada: 'CA', australia: 'AU', germany: 'DE', deutschland: 'DE', allemagne: 'DE', germania: 'DE', austria: 'AT', österreich: 'AT', autriche: 'AT',
  switzerland: 'CH', schweiz: 'CH', suisse: 'CH', svizzera: 'CH', france: 'FR', frankreich: 'FR', francia: 'FR', belgium: 'BE', belgique: 'BE', 'belgië': 'BE', belgien: 'BE',
  netherlands: 'NL', 'the netherlands': 'NL', nederland: 'NL', holland: 'NL', spain: 'ES', españa: 'ES', spanien: 'ES', espagne: 'ES',
  portugal: 'PT', italy: 'IT', italia: 'IT', italien: 'IT', italie: 'IT', sweden: 'SE', sverige: 'SE', schweden: 'SE', denmark: 'DK', danmark: 'DK', dänemark: 'DK',
  norway: 'NO', norge: 'NO', noreg: 'NO', norwegen: 'NO', finland: 'FI', suomi: 'FI', poland: 'PL', polska: 'PL', polen: 'PL', brazil: 'BR', brasil: 'BR', brasilien: 'BR',
  'czech republic': 'CZ', luxembourg: 'LU', liechtenstein: 'LI', 'new zealand': 'NZ',
};

/** Provinces of Spain as they are written behind a town, in Spanish and in their own languages. */
export const spanishProvinces = wordList(`
  Álava Araba Albacete Alicante Alacant Almería Asturias Ávila Badajoz Baleares Barcelona Bizkaia Vizcaya Burgos Cáceres Cádiz Cantabria Castellón Castelló
  Ciudad~Real Córdoba Cuenca Gipuzkoa Guipúzcoa Girona Gerona Granada Guadalajara Huelva Huesca Jaén La~Coruña A~Coruña La~Rioja Rioja Las~Palmas León Lleida
  Lérida Lugo Madrid Málaga Murcia Navarra Nafarroa Ourense Orense Palencia Pontevedra Salamanca Santa~Cruz~de~Tenerife Tenerife Segovia Sevilla Soria
  Tarragona Teruel Toledo Valencia València Valladolid Zamora Zaragoza
`);

/** How a postal code is written, by country, and where the town stands beside it (Universal Postal Union, addressing systems). */
export interface PostcodeForm {
  country: string;
  pattern: RegExp;
  town: 'after' | 'before';
}

const US_STATES =
  'AL|AK|AZ|AR|CA|CO|CT|DE|DC|FL|GA|HI|ID|IL|IN|IA|KS|KY|LA|ME|MD|MA|MI|MN|MS|MO|MT|NE|NV|NH|NJ|NM|NY|NC|ND|OH|OK|OR|PA|RI|SC|SD|TN|TX|UT|VT|VA|WA|WV|WI|WY|PR';

/** As printed in addresses that do not use the letters of the Postal Service. */
const US_STATE_NAMES =
  'Alabama|Alaska|Arizona|Arkansas|California|Colorado|Connecticut|Delaware|Florida|Georgia|Hawaii|Idaho|Illinois|Indiana|Iowa|Kansas|Kentucky|Louisiana|Maine|Maryland|Massachusetts|Michigan|Minnesota|Mississippi|Missouri|Montana|Nebraska|Nevada|New Hampshire|New Jersey|New Mexico|New York|North Carolina|North Dakota|Ohio|Oklahoma|Oregon|Pennsylvania|Rhode Island|South Carolina|South Dakota|Tennessee|Texas|Utah|Vermont|Virginia|Washington|West Virginia|Wisconsin|Wyoming';

const BRAZILIAN_STATES = 'AC|AL|AP|AM|BA|CE|DF|ES|GO|MA|MT|MS|MG|PA|PB|PR|PE|PI|RJ|RN|RS|RO|RR|SC|SP|SE|TO';

/** States and provinces that tell an address where no code does, as alternatives of a regular expression. */
export const states: Readonly<Record<string, string>> = {
  US: `${US_STATES}|${US_STATE_NAMES}`,
  CA: 'AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT',
  AU: 'NSW|VIC|QLD|WA|SA|TAS|ACT|NT',
  BR: BRAZILIAN_STATES,
};

/** More telling forms come first. */
export const postcodeForms: readonly PostcodeForm[] = [
  { country: 'GB', pattern: /\b(?:GIR ?0AA|[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Za-z]{2})\b/, town: 'before' },
  { country: 'CA', pattern: /\b(?<region>AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT|Alberta|British Columbia|Manitoba|New Brunswick|Newfoundland|Nova Scotia|Ontario|Prince Edward Island|Quebec|Québec|Saskatchewan|Yukon)?,? ?(?<code>[A-Z]\d[A-Z] ?\d[A-Z]\d)\b/, town: 'before' },
  { country: 'IE', pattern: /\b(?:[AC-FHKNPRTV-Y]\d{2}|D6W) ?(?=\d*[A-Z])[0-9AC-FHKNPRTV-Y]{4}\b(?!-)/, town: 'before' },
  { country: 'AU', pattern: /\b(?<region>NSW|VIC|QLD|WA|SA|TAS|ACT|NT|Vic\.?|Qld\.?|Tas\.?|N\.?S\.?W\.|[WS]\.A\.|N\.T\.),? (?<code>\d{4})\b/, town: 'before' },
  { country: 'US', pattern: new RegExp(`\\b(?<region>${US_STATES}|${US_STATE_NAMES}|${US_STATE_NAMES.toUpperCase()}),? (?<code>\\d{5}(?:-\\d{4})?)\\b(?!-)`), town: 'before' },
  { country: 'BR', pattern: /\b\d{5}-\d{3}\b/, town: 'before' },
  { country: 'PT', pattern: /\b(?:PT?-)?(?<code>\d{4}-\d{3})\b/, town: 'after' },
  { country: 'PL', pattern: /\b(?:PL-)?(?<code>\d{2}-\d{3})\b/, town: 'after' },
  { country: 'NL', pattern: /\b(?:NL-)?(?<code>[1-9]\d{3} ?(?!SA|SD|SS)[A-Z]{2})\b/, town: 'after' },
  { country: 'SE', pattern: /(?<!(?:CZ|SK)-)\b(?:SE?-)?(?<code>\d{3} \d{2})\b/, town: 'after' },
  { country: 'CZ', pattern: /(?<!SK-)\b(?:CZ-)?(?<code>\d{3} \d{2})\b/, town: 'after' },
  { country: 'SK', pattern: /\b(?:SK-)?(?<code>\d{3} \d{2})\b/, town: 'after' },
  { country: 'DE', pattern: /\bD(?:E)?-(?<code>\d{5})\b/, town: 'after' },
  { country: 'AT', pattern: /\bA(?:T)?-(?<code>\d{4})\b/, town: 'after' },
  { country: 'CH', pattern: /\bCH-(?<code>\d{4})\b/, town: 'after' },
  { country: 'BE', pattern: /\bB(?:E)?-(?<code>\d{4})\b/, town: 'after' },
  { country: 'FR', pattern: /\bF(?:R)?-(?<code>\d{5})\b/, town: 'after' },
  { country: 'IT', pattern: /\bI(?:T)?-(?<code>\d{5})\b/, town: 'after' },
  { country: 'ES', pattern: /\bE(?:S)?-(?<code>\d{5})\b/, town: 'after' },
  { country: 'DK', pattern: /\bDK-(?<code>\d{4})\b/, town: 'after' },
  { country: 'LU', pattern: /\bL-(?<code>\d{4})\b/, town: 'after' },
  { country: 'NO', pattern: /\bNO?-(?<code>\d{4})\b/, town: 'after' },
  { country: 'FI', pattern: /\bFI(?:N)?-(?<code>\d{5})\b/, town: 'after' },
  { country: '5', pattern: /\b(?<code>\d{5})\b/, town: 'after' },
  { country: '4', pattern: /\b(?<code>\d{4})\b/, town: 'after' },
  { country: '4 behind', pattern: /(?<=\p{L},? )(?<code>\d{4})(?=$|,? (?:New Zealand|Aotearoa|South Africa|NZ|RSA)$)/iu, town: 'before' },
];

/** Countries whose codes look like those of the first one, where no letters stand before them. */
export const sharedForms: Readonly<Record<string, readonly string[]>> = { SE: ['CZ', 'SK'] };

/** Countries that the bare forms of digits may belong to. */
export const bareDigitCountries: Readonly<Record<string, readonly string[]>> = {
  '5': ['DE', 'FR', 'IT', 'ES', 'FI', 'US', 'SE'],
  '4': ['AT', 'CH', 'BE', 'LU', 'DK', 'NO', 'AU', 'HU', 'SI'],
  '4 behind': ['NZ', 'ZA'],
};
