/**
 * Words and letters that are at home in few countries: street words, legal forms, labels, spelling.
 * Each line that shows one speaks a little for those countries.
 */
export const countryWords: readonly { pattern: RegExp; countries: readonly string[] }[] = [
  { pattern: /stra(?:ß|ss)e\b|str\.\s?\d|platz\b|\b\S{4,}(?:weg|gasse|allee|damm|ufer)\b/iu, countries: ['DE', 'AT', 'CH'] },
  { pattern: /\b(?:GmbH|KG|OHG|e\.K\.|UG)(?!\p{L})/u, countries: ['DE', 'AT'] },
  { pattern: /ß|\b(?:Fon|Handy|Mobil|Durchwahl|Leiter(?:in)?|Gesch(?:ä|a)ftsf(?:ü|u)hr\w*)\b/u, countries: ['DE', 'AT', 'CH'] },
  { pattern: /\b(?:rue|quai|impasse|boulevard|chemin|cedex|place d[ue])\b/iu, countries: ['FR', 'BE'] },
  { pattern: /\b(?:SARL|SAS|EURL|S\.A\.R\.L\.?|T[ée]l\.|Port\.|Courriel|M[ée]l)(?!\p{L})|\bdirect(?:rice|eur)\b/u, countries: ['FR', 'BE'] },
  { pattern: /\b(?:via|viale|piazza|corso|vicolo) \p{Lu}|\bS\.?r\.?l\.?(?!\p{L})|\bS\.?p\.?A\.?(?!\p{L})|\b(?:Telefono|Cell)\b/u, countries: ['IT'] },
  { pattern: /\b(?:calle|avda|plaza|paseo|pol[íi]gono)\b|\bS\.L\.?(?!\p{L})|\b(?:M[óo]vil|Tel[ée]fono|Correo)\b/iu, countries: ['ES'] },
  { pattern: /\b(?:travessa|pra[çc]a|largo d|rua d)\b|\b(?:Tlm|Telem[óo]vel)\b/iu, countries: ['PT'] },
  { pattern: /\b(?:Ltda|CEP|CNPJ|Celular)\b|\bS\/A\b/iu, countries: ['BR'] },
  { pattern: /\b\S{3,}(?:straat|laan|gracht|kade|plein|weg)\b|\bB\.?V\.?(?!\p{L})|\b(?:Mobiel|Postbus)\b/iu, countries: ['NL', 'BE'] },
  { pattern: /\b\S{3,}(?:gatan|v[äa]gen|torget|gr[äa]nd)\b|\bAB\b|\b(?:V[äa]xel|Sverige|chef)\b/u, countries: ['SE'] },
  { pattern: /\b\S{3,}(?:gade|vej|all[ée])\b|\bA\/S\b|\bApS\b|\bCVR\b/u, countries: ['DK'] },
  { pattern: /\b\S{3,}(?:gata|veien|vegen)\b|\bAS\b/u, countries: ['NO'] },
  { pattern: /\b\S{3,}(?:katu|kuja|polku)\b|\bOyj?\b|\bpuh\b/iu, countries: ['FI'] },
  { pattern: /\bul\. |\b[Ss]p\. ?z ?o\.? ?o|\b(?:Kom|Faks)\b/u, countries: ['PL'] },
  { pattern: /\b(?:plc|Ltd|Limited)\b/u, countries: ['GB', 'IE'] },
  { pattern: /\b(?:Inc|LLC|Corp)\b/u, countries: ['US', 'CA'] },
];
