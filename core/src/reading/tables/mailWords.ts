/**
 * Words that stand around a signature in a letter, folded (small letters without accents), in the
 * languages cards are expected in.
 */

/** Lines that close a letter; the signature follows. */
export const signOffs =
  /^(?:(?:with )?(?:best|kind|kindest|warm|warmest|many|with best|yours|all the|cordial)? ?(?:regards|wishes|best)|best|cheers|thanks|many thanks|thank you|thanks again|sincerely|yours (?:sincerely|faithfully|truly)|cordially|(?:mit )?(?:freundliche[nm]?|freundlichem|besten?|herzliche[nm]?|viele[n]?|liebe|schone|sonnige) gru(?:ss|sse|ssen|ß|ße|ßen)(?: aus .*)?|mfg|vg|lg|beste grusse|hochachtungsvoll|(?:bien )?cordialement|(?:bien )?a vous|salutations(?: distinguees)?|sinceres salutations|bien cordialement|(?:un )?(?:cordial )?saludos?(?: cordiales)?|atentamente|un saludo|atenciosamente|(?:com os )?(?:melhores )?cumprimentos|cumprimentos|abracos|cordiali saluti|distinti saluti|saluti|(?:met )?(?:vriendelijke|hartelijke) groet(?:en)?|groet(?:en|jes)?|mvg|(?:med )?(?:vanliga|basta|vanlig) halsning(?:ar)?|hal(?:s)?ningar|mvh|(?:med )?(?:venlig(?:e)?|vennlig|bedste|beste) hilsen(?:er)?|vh|hilsen|(?:ystavallisin|parhain) terveisin|terveisin|terv|(?:z powazaniem|pozdrawiam|z wyrazami szacunku))[ ,.!;–-]*$/;

/** Lines that open one. */
export const greetings =
  /^(?:hi|hello|hey|dear|good (?:morning|afternoon|evening)|hallo|liebe[rs]?|sehr geehrte[rs]?|guten (?:tag|morgen|abend)|moin|servus|gruezi|bonjour|bonsoir|cher|chere|madame|monsieur|hola|estimad[oa]s?|querid[oa]s?|buenos dias|buenas tardes|ola|bom dia|boa tarde|prezad[oa]s?|car[oa]s?|caro|ciao|gentile|egregio|buongiorno|spettabile|beste|geachte|dag|hej|hei|kara|kjaere|kaere|hyva|moi|terve|dzien dobry|szanown[aiy]\w*|witam)\b.{0,60}[,!:–-]\s*$/;

/** Lines after which comes what somebody else wrote. */
export const quoteHeads =
  /^(?:-{2,}\s*(?:original message|forwarded message|ursprungliche nachricht|weitergeleitete nachricht|message d'origine|message transfere|mensaje original|mensagem original|messaggio originale|oorspronkelijk bericht|ursprungligt meddelande|oprindelig meddelelse|opprinnelig melding|alkuperainen viesti|wiadomosc oryginalna)|_{10,}|(?:on|am|le|el|em|il|op|den|w dniu) .{6,120}(?:wrote|schrieb.*|a ecrit|escribio|escreveu|ha scritto|schreef.*|skrev.*|kirjoitti|napisal\w*) ?:)/;

/** Header lines of a message, as they stand above forwarded or pasted mail. */
export const mailHeaders =
  /^\*?(?:a(?=\*?: \D*$)|from|to|cc|bcc|sent|date|subject|reply-to|von|an|gesendet|datum|betreff|de|envoye|objet|para|enviado(?: el)?|asunto|assunto|da|inviato|oggetto|aan|verzonden|onderwerp|fran|till|skickat|amne|fra|til|sendt|emne|lahettaja|vastaanottaja|aihe|od|do|temat)\*?: |^(?:de|envoye|date|objet|cc) : /;

/** Who wrote a message, by its address. */
export const senderHeader = /^\*?(?:from|von|de|da|van|fran|fra|od|lahettaja)\*? ?: .*?(?<address>[\w.+-]+@[\w-]+(?:\.[\w-]+)+)/;

/** What a person writes before a field of their own: "Name: Ada Kelder". */
export const fieldLabels =
  /^(?:(?:full )?name|nom(?: complet)?|nombre|nome|naam|namn|navn|nimi|(?:job )?title|position|role|funktion|fonction|poste|cargo|puesto|funzione|ruolo|functie|titel|stilling|befattning|stanowisko|company|organi[sz]ation|firma|firm|unternehmen|entreprise|societe|empresa|azienda|bedrijf|foretag|virksomhed|yritys|address|adresse|anschrift|direccion|endereco|indirizzo|adres|adress|osoite) ?: +(?=\S)/;

/** What lawyers, printers and devices add below. */
export const disclaimers =
  /\b(?:confidential\w*|privileged|intended (?:only|solely)|intended recipient|disclaimer|virus\w*|before printing|think of the environment|environment before|unsubscribe|vertraulich\w*|irrtumlich|empfanger|umwelt|ausdrucken|confidentiel\w*|destinataire|imprimer|confidencial\w*|destinatari[oa]|imprimir|riservat[oae]\w*|stampare|vertrouwelijk\w*|geadresseerde|milieu|konfidentiell\w*|fortrolig\w*|luottamuksellin\w*|poufn\w*|sent from my|sent from mobile|von meinem (?:telefon|handy)|envoye de(?:puis)? mon|enviado desde mi|enviado do meu|inviato dal mio|verzonden vanaf|skickat fran min|sendt fra min)\b/;
