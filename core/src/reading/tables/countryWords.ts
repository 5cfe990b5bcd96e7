/**
 * How national numbers are grouped in print where that is told from other countries' (national
 * conventions of ITU-T E.123); each number that looks so speaks a little for those countries, and `times` as much where hardly any
 * other groups them so.
 */
export const numberGroupings: readonly { pattern: RegExp; countries: readonly string[]; times?: number }[] = [
  { pattern: /^\(?0[1-9]\d{2,4}\)? \d{3} ?\d{3,4}$|^\(?02\d\)? \d{4} \d{4}$|^07\d{3} \d{6}$|^07\d{3} \d{3} ?\d{3}$/, countries: ['GB'] },
  { pattern: /^0[1-9](?:[ .]\d\d){4}$/, countries: ['FR'], times: 3 },
  { pattern: /^[6-9]\d\d (?:\d{3} \d{3}|\d\d \d\d \d\d)$/, countries: ['ES'] },
  { pattern: /^\d\d \d\d \d\d \d\d$/, countries: ['DK', 'NO'] },
  { pattern: /^[49]\d\d \d\d \d{3}$/, countries: ['NO'] },
  { pattern: /^3[2-9]\d[ .]?\d{3}[ .]?\d{4}$/, countries: ['IT'], times: 3 },
  { pattern: /^0\d{1,3}[ /.]\d{5,8}$/, countries: ['IT', 'DE', 'AT'] },
  { pattern: /^0(?:4\d|50)0? \d{3} ?\d{3,4}$/, countries: ['FI'] },
  { pattern: /^\(0\d\) \d{4} \d{4}$|^04\d\d \d{3} \d{3}$/, countries: ['AU'] },
  { pattern: /^\(\d\d\) ?9?\d{4}-\d{4}$/, countries: ['BR'] },
  { pattern: /^0\d{1,3}-\d{2,3} \d\d \d\d$/, countries: ['SE'] },
  { pattern: /^[29]\d\d \d{3} \d{3}$/, countries: ['PT'] },
  { pattern: /^0\d{2,4} ?[/-] ?\d{2,3}/, countries: ['DE', 'AT'] },
  { pattern: /^0\d\d \d{3} \d\d \d\d$/, countries: ['CH'], times: 2 },
  { pattern: /^0[2349] \d{3} \d\d \d\d$|^0[15678]\d \d\d \d\d \d\d$|^04\d\d \d\d \d\d \d\d$/, countries: ['BE'] },
  { pattern: /^0\d{1,2}[ -]\d{3} \d{4}$|^08\d \d{3} \d{4}$/, countries: ['IE'] },
  { pattern: /^[67]\d\d \d{3} \d{3}$/, countries: ['CZ'] },
  { pattern: /^09\d\d \d{3} \d{3}$/, countries: ['SK'] },
  { pattern: /^\(?0[34679]\)? \d{3} \d{4}$|^02[1279] \d{3} \d{3,4}$/, countries: ['NZ'] },
];

/**
 * Words and letters that are at home in few countries: street words, legal forms, labels, spelling.
 * Each line that shows one speaks a little for those countries.
 */
export const countryWords: readonly { pattern: RegExp; countries: readonly string[] }[] = [
  { pattern: /stra(?:ß|ss)e\b|str\.\s?\d|platz\b|\b\S{4,}(?:weg|gasse|allee|damm|ufer)\b/iu, countries: ['DE', 'AT', 'CH'] },
  { pattern: /\b(?:KG|OHG|[Ee]\.K\.|UG)(?!\p{L})/u, countries: ['DE', 'AT'] },
  { pattern: /\bG[Mm][Bb]H(?!\p{L})/u, countries: ['DE', 'AT', 'CH'] },
  // Only Switzerland has no ß.
  { pattern: /\p{Ll}strasse(?!\p{L})/u, countries: ['CH'] },
  { pattern: /ß|\b(?:Fon|Handy|Mobil|MOBIL|Durchwahl|DURCHWAHL|Postfach|POSTFACH|Leiter(?:in)?|Gesch(?:ä|a)ftsf(?:ü|u)hr\w*)\b/u, countries: ['DE', 'AT', 'CH'] },
  { pattern: /\b(?:rue|quai|impasse|boulevard|chemin|cedex|place d[ue])\b/iu, countries: ['FR', 'BE'] },
  { pattern: /\b(?:SARL|SAS|EURL|S\.A\.R\.L\.?|Tél\.|Port\.|Courriel|Mél)(?!\p{L})|\bdirect(?:rice|eur)\b/u, countries: ['FR', 'BE'] },
  { pattern: /(?<!\p{L})S[àÀÅÄ](?:rl|RL)(?!\p{L})|\b(?:Natel|Einzelfirma)\b/u, countries: ['CH'] },
  { pattern: /\bS\.?à ?r\.?l\.(?!\p{L})/u, countries: ['LU'] },
  { pattern: /\((?:Québec|QC|Ontario|ON)\)/iu, countries: ['CA'] },
  { pattern: /\b(?:via|viale|piazza|corso|vicolo) \p{Lu}|\bS\.?r\.?l\.?(?!\p{L})|\bS\.?p\.?A\.?(?!\p{L})|\b(?:Telefono|Cell)\b/u, countries: ['IT'] },
  { pattern: /\b(?:calle|avda|plaza|paseo|pol[íi]gono|carrer|avinguda)\b|\bS\.?L\.?(?:U\.?)?$|\b(?:M[óo]vil|Tel[ée]fono|Correo)\b/iu, countries: ['ES'] },
  { pattern: /\b(?:Ctra|Avda)\.|\b(?:Bodegas|Hnos|Hijos)\b|\((?:[ÁA]lava|Albacete|Alicante|Almer[íi]a|Asturias|[ÁA]vila|Badajoz|Barcelona|Burgos|C[áa]ceres|C[áa]diz|Cantabria|Castell[óo]n|Ciudad Real|C[óo]rdoba|Cuenca|Gi?rona|Granada|Guadalajara|Gipuzkoa|Guip[úu]zcoa|Huelva|Huesca|Ja[ée]n|La Rioja|Le[óo]n|Lleida|Lugo|Madrid|M[áa]laga|Murcia|Navarra|Ourense|Palencia|Pontevedra|Salamanca|Segovia|Sevilla|Soria|Tarragona|Teruel|Toledo|Valencia|Valladolid|Bizkaia|Vizcaya|Zamora|Zaragoza)\)?/u, countries: ['ES'] },
  { pattern: /\b\d{5} \p{Lu}[\p{L}' ]+ (?:\([A-Z]{2}\)|[A-Z]{2}$)/u, countries: ['IT'] },
  { pattern: /\b(?:travessa|pra[çc]a|largo d|rua d)\b|\b(?:Tlm|Telem[óo]vel)\b/iu, countries: ['PT'] },
  { pattern: /\b(?:Ltda|CEP|CNPJ|Celular)\b|\bS\/A\b/iu, countries: ['BR'] },
  { pattern: /\b\S{3,}(?:straat|laan|gracht|kade|plein|weg)\b|\bB\.?V\.?(?!\p{L})|\b(?:Mobiel|Postbus)\b/iu, countries: ['NL', 'BE'] },
  { pattern: /\b\S{3,}(?:gatan|v[äa]gen|torget|gr[äa]nd)\b|\bAB\b|\b(?:V[äa]xel|Sverige|\p{L}{4,}chef)\b/u, countries: ['SE'] },
  { pattern: /\b\S{3,}(?:gade|vej|all[ée])\b|\bA\/S\b|\bApS\b|\bCVR\b/u, countries: ['DK'] },
  { pattern: /\b\S{3,}(?:gata|veien|vegen)\b|\bAS\b/u, countries: ['NO'] },
  { pattern: /\b\S{3,}(?:katu|kuja|polku)\b|\bOyj?\b|\bpuh\b/iu, countries: ['FI'] },
  { pattern: /\bul\. |\b[Ss]p\. ?z ?o\.? ?o|\b(?:Kom|Faks)\b/u, countries: ['PL'] },
  { pattern: /(?<!\p{L})\p{L}*(?:[Bb]erater|[Mm]eister|[Ll]eiter|[Bb]eauftragter?|[Ff]ührer|[Kk]anzlei|[Aa]nwalt|[Aa]nwältin|[Bb]eratung)(?:in)?(?!\p{L})/u, countries: ['DE', 'AT', 'CH'] },
  { pattern: /(?<!\p{L})(?:ry|RY|Oy|OY|tmi|Tmi)(?!\p{L})|\p{L}{4}(?:ttaja|tutkija|asiantuntija|vastaava|hoitaja)(?!\p{L})/u, countries: ['FI'] },
  { pattern: /(?<!\p{L})(?:nach Vereinbarung|Termine?|Ruhetag|täglich|Uhr|seit|und|für|Abteilung|Vertrieb|Einkauf|Beratung|Inh)(?!\p{L})/u, countries: ['DE', 'AT', 'CH'] },
  { pattern: /(?<!\p{L})(?:en chef|cheffe?s? d[eu]|adjointe?|gérante?|depuis|avec|pour|tous les|vente directe|sur rendez-vous|au capital|fondée? en|chargée?|responsable d\p{L}+|maître|conseillère?|ingénieure?|achats|ventes)(?!\p{L})/iu, countries: ['FR', 'BE'] },
  { pattern: /(?<!\p{L})(?:responsabile|titolare|direttore|direttrice|vendite|acquisti|e figli)(?!\p{L})/iu, countries: ['IT'] },
  { pattern: /(?<!\p{L})(?:jefe|jefa|director[a]? de|departamento de|ventas|e hijos)(?!\p{L})/iu, countries: ['ES'] },
  { pattern: /(?<!\p{L})(?:sócio|diretora?|engenheir[oa]|vendas)(?!\p{L})/iu, countries: ['PT', 'BR'] },
  { pattern: /(?<!\p{L})(?:voor|hoofd|afdeling|inkoop|verkoop|zaakvoerder|eigenaar)(?!\p{L})/iu, countries: ['NL', 'BE'] },
  { pattern: /(?<!\p{L})(?:och|försäljning|inköp\p{L}*|avdelning)(?!\p{L})/iu, countries: ['SE'] },
  { pattern: /(?<!\p{L})(?:salg\p{L}*|afdeling\p{L}*|indehaver|daglig)(?!\p{L})/iu, countries: ['DK', 'NO'] },
  { pattern: /(?<!\p{L})(?:innkjøp\p{L}*|avdeling\p{L}*|selger|eier|g[aå]rdbruka?e?r|\p{L}{2,}sjef|styreleder)(?!\p{L})/iu, countries: ['NO'] },
  { pattern: /(?<!\p{L})(?:indkøb\p{L}*|sælger|ejer|værkfører|bestyrelse\p{L}*)(?!\p{L})/iu, countries: ['DK'] },
  { pattern: /\p{L}(?:johtaja|päällikkö|myyjä|insinööri)(?!\p{L})/iu, countries: ['FI'] },
  { pattern: /(?<!\p{L})(?:kierownik|dyrektor|sprzedaży|specjalista|właściciel|ds\.)(?!\p{L})/iu, countries: ['PL'] },
  { pattern: /\p{L}[ěřů]|[ĚŘŮ]\p{L}/u, countries: ['CZ'] },
  { pattern: /[čšžďťňěřů]/iu, countries: ['CZ', 'SK'] },
  { pattern: /\p{L}[ľĺŕ]|[ĽĹŔ]\p{L}/u, countries: ['SK'] },
  { pattern: /(?<!\p{L})(?:s\. ?r\. ?o\.|IČO|DIČ)/iu, countries: ['CZ', 'SK'] },
  { pattern: /\p{L}[őű]|[ŐŰ]\p{L}|(?<!\p{L})(?:Kft|Bt|Zrt|Nyrt)\.?(?!\p{L})|(?<!\p{L})(?:utca|út|tér|körút) \d/u, countries: ['HU'] },
  { pattern: /(?<!\p{L})Co\.? (?:Carlow|Cavan|Clare|Cork|Donegal|Dublin|Galway|Kerry|Kildare|Kilkenny|Laois|Leitrim|Limerick|Longford|Louth|Mayo|Meath|Monaghan|Offaly|Roscommon|Sligo|Tipperary|Waterford|Westmeath|Wexford|Wicklow)(?!\p{L})/u, countries: ['IE'] },
  { pattern: /\b(?:plc|Ltd|Limited)\b/u, countries: ['GB', 'IE'] },
  { pattern: /\b(?:Inc|LLC|Corp)\b/u, countries: ['US', 'CA'] },
  { pattern: /\p{L} (?:Street|Road|Lane|Drive|Crescent|Terrace|Mews|Wharf)(?!\p{L})/u, countries: ['GB', 'IE', 'US', 'CA', 'AU', 'NZ', 'ZA'] },
];

/** Registers, tax offices and chambers of single countries, and how their numbers begin. */
export const countryRegisters: readonly { pattern: RegExp; countries: readonly string[] }[] = [
  { pattern: /(?<!\p{L})(?:HRB|HRA|USt|Amtsgericht)(?!\p{Ll}{3})|(?<!\p{L})Steuer-?[Nn](?:r|ummer)|(?<![\p{L}\d])DE ?\d{9}(?!\d)/u, countries: ['DE'] },
  { pattern: /(?<!\p{L})ATU ?\d{8}|(?<!\p{L})FN ?\d{5,6} ?[a-z](?!\p{L})|(?<!\p{L})Firmenbuch/u, countries: ['AT'] },
  { pattern: /(?<!\p{L})CHE-?\d{3}/u, countries: ['CH'] },
  { pattern: /(?<!\p{L})(?:SIRET|SIREN|RCS|R\.C\.S\.?|APE|NAF|ADELI|RPPS)(?!\p{L})/u, countries: ['FR'] },
  { pattern: /(?<!\p{L})BE ?[01]\d{3}\.?\d{3}\.?\d{3}(?!\d)/u, countries: ['BE'] },
  { pattern: /(?<!\p{L})KvK(?!\p{L})|(?<!\p{L})NL ?\d{9}B\d\d/iu, countries: ['NL'] },
  { pattern: /(?<!\p{L})(?:CIF|C\.I\.F\.?)(?!\p{L})/u, countries: ['ES'] },
  { pattern: /(?<!\p{L})NIPC(?!\p{L})/u, countries: ['PT'] },
  { pattern: /(?<!\p{L})(?:CNPJ|CPF|CREA|CAU|OAB|CRM|CRO|CRECI|CREFITO)(?!\p{L})/u, countries: ['BR'] },
  { pattern: /(?<!\p{L})P\.? ?IVA(?!\p{L})|(?<!\p{L})(?:C\.F\.|REA)(?!\p{L})|(?<!\p{L})IT ?\d{11}(?!\d)/u, countries: ['IT'] },
  { pattern: /(?<!\p{L})MVA(?!\p{L})/u, countries: ['NO'] },
  { pattern: /(?<!\p{L})CVR(?!\p{L})/u, countries: ['DK'] },
  { pattern: /(?<!\p{L})Y-tunnus(?!\p{L})/iu, countries: ['FI'] },
  { pattern: /(?<!\p{L})(?:NIP|REGON|KRS)(?!\p{L})/u, countries: ['PL'] },
  { pattern: /(?<!\p{L})(?:ABN|ACN)(?!\p{L})/u, countries: ['AU'] },
  { pattern: /\(Pty\)/iu, countries: ['ZA'] },
];
