import { fold } from '../../text';

/** What a printed label before (or after) a number says about it. */
export type PhoneLabel = 'work' | 'mobile' | 'fax';

/** Labels in front of phone numbers, folded, without dots and colons. Single letters are read as labels only right before a number. */
export const phoneLabels: Readonly<Record<PhoneLabel, readonly string[]>> = {
  mobile: [
    'm', 'mob', 'mobile', 'mobil', 'mobiltelefon', 'handy', 'cell', 'cellular', 'c', 'cel', 'celular', 'movil', 'tlm', 'telemovel', 'telm',
    'port', 'portable', 'gsm', 'natel', 'cellulare', 'cell', 'mobiel', 'matkapuhelin', 'gsm-puh', 'kom', 'komorka', 'tel kom', 'whatsapp', 'mobilnr', 'h',
  ],
  fax: ['f', 'fax', 'telefax', 'telecopie', 'telecopieur', 'telec', 'telecop', 'faks', 'faksi', 'telefaks', 'fx'],
  work: [
    't', 'tel', 'telephone', 'telefon', 'telefono', 'telefone', 'telefoon', 'fon', 'phone', 'ph', 'p', 'o', 'office', 'd', 'direct', 'dir', 'direct line',
    'direct dial', 'ddi', 'durchwahl', 'direkt', 'direktwahl', 'buro', 'zentrale', 'ligne directe', 'standard', 'directo', 'directa', 'oficina', 'centralita', 'fijo',
    'direto', 'escritorio', 'diretto', 'ufficio', 'centralino', 'doorkiesnummer', 'kantoor', 'vaxel', 'direktnr', 'tlf', 'tfn', 'tfn vx', 'direkte', 'puh', 'puhelin', 'vaihde',
    'landline', 'switchboard', 'reception', 'main', 'w', 'work', 'b', 'bus', 'business', 'sede', 'biuro', 'centrala', 'tel biuro', 'telf', 'tf', 'ruf', 'festnetz', 'call', 'fixe', 'bureau',
  ],
};

/** Words before an extension number. */
export const extensionPattern =
  /(?:[,;]?\s*(?:ext(?:ension|n)?|x|dw|durchwahl|nst|int(?:erno)?|poste|ankn(?:ytning)?|lok(?:al)?(?:nr)?|toestel|tst|ramal|wew|klapka|alanumero|kl|apparat|app)\b\.?\s*:?\s*|\s*#\s*)(\d{1,5})\b/i;

/** Labels in front of e-mail and web addresses, which are dropped. */
export const onlineLabels = /^(?:e|m|w|i|mail|email|e-mail|epost|e-post|correo|correio|courriel|mel|web|www|website|site|sito|internet|home|homepage|url|posta|sahkoposti|strona|net|s)$/;

const allPhoneLabels = new Set(Object.values(phoneLabels).flat());

/** Whether a text is a label of a number or an address by itself, or a mark: "Tel.", "№", "E-Mail". */
export const isLabel = (text: string): boolean => {
  const key = fold(text).replace(/[.:()]/g, '').trim();
  return allPhoneLabels.has(key) || onlineLabels.test(key) || !/\p{L}{2}/u.test(key);
};

/** What a firm that is called after somebody, or belongs to somebody, says before their name. */
export const ownerLabel =
  /^(?:inh(?:aber(?:in)?)?|eigentümer(?:in)?|owner|prop(?:rietor)?|propriétaire|propriet[aá]ri[ao]|propietari[ao]|titolare|indehaver|innehavare|właściciel(?:ka)?)\s?(?:\.:?|:)\s*(?=\p{Lu})|^v\/\s*(?=\p{Lu})/iu;

/** What stands before numbers of registers, tax offices, licences and banks. */
const registerWords =
  /(?<![\p{L}\d])(?:vat|ust|ust-?id\w*|uid|tva|p\.? ?iva|partita iva|nif|nipc|cif|cnpj|cpf|inscr|insc|rcs|siret|siren|ape|naf|hrb|hra|fn \d|steuer\w*|st\.?-?nr|gst|abn|acn|ein|npi|license|licence|lic|reg(?:istration|istered|d)?\.? ?(?:no|nr|num)?|company no|company number|org\.? ?nr|orgnr|org\.? ?nummer|cvr|kvk|btw|iban|bic|swift|bank|konto|krs|regon|nip|y-tunnus|charity|creci|crea|cau|crn|coren|zvr|eori|duns|orias|adeli|rpps|finess|kbo|usdot|naics|bsnr|lanr|crmv?|cr[ofcp]|oab|nmls|rbq|neq|fdic|npn|ico|dic|cin|permit|member(?:ship)? no|contribuinte|capital social)(?![\p{L}\d])|\bc\.? ?f\.? ?(?=\d{5})|\batu ?\d{8}\b|\bche-?\d{3}\.\d{3}\.\d{3}\b|\bbe ?[01]\d{3}\.\d{3}\.\d{3}\b|(?<!\p{L})(?:ič|dič|ičo)(?!\p{L})/iu;

/** What a firm is certified by, also where its letters were read as figures: "ISO 9001:2015", "1S0 22000". */
const standards = /(?<![\p{L}\d])(?:[Il1|]?S[O0](?:\/IEC)?|DIN(?: EN)?|EN(?: ISO)?) ?\d{4,5}(?!\d)/u;

/** A number of a register, tax office, bank or standard is not for reaching somebody; a firm that is called so is. */
export const isRegistration = (text: string): boolean =>
  /\d/.test(text) && [text, withCapitals(text)].some((said) => registerWords.test(said) || standards.test(said));

/** Digits that capitals were read as at the end of their word: "EOR1 4401". */
const withCapitals = (text: string): string =>
  text.replace(/(?<=\p{Lu}{3})[10](?![\p{L}\d])/gu, (digit) => (digit === '1' ? 'I' : 'O'));

/** Founding years, class years and the like. */
export const yearPattern =
  /^(?:est\.?|established|since|seit|desde|depuis|dal|sinds|sedan|siden|od|founded|gegr\.?|fondee? en|fundad[ao] en|class of|promotion|jahrgang|grundat|etablert|grundlagt|anno)\b.*\b(?:1[6-9]|20)\d\d\b/i;
