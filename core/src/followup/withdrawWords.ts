const WORDS: Readonly<Record<string, string>> = {
  en: 'You get this because you agreed to it. No longer? {url}',
  de: 'Sie erhalten dies, weil Sie zugestimmt haben. Nicht mehr? {url}',
  fr: 'Vous recevez ceci parce que vous l’avez accepté. Plus maintenant ? {url}',
  es: 'Recibe esto porque dio su consentimiento. ¿Ya no? {url}',
  it: 'Riceve questo messaggio perché ha acconsentito. Non più? {url}',
  pt: 'Recebe isto porque concordou. Já não? {url}',
  nl: 'U ontvangt dit omdat u ermee instemde. Niet meer? {url}',
  da: 'Du får dette, fordi du sagde ja til det. Ikke længere? {url}',
  nb: 'Du får dette fordi du har sagt ja til det. Ikke lenger? {url}',
  sv: 'Du får detta för att du har sagt ja till det. Inte längre? {url}',
  fi: 'Saat tämän, koska suostuit siihen. Et enää? {url}',
  pl: 'Otrzymujesz to, bo wyraziłeś zgodę. Już nie? {url}',
  cs: 'Dostáváte to, protože jste souhlasili. Už ne? {url}',
};

/** What stands under whatever goes to people who agreed to it. @param language ISO 639-1 */
export const withdrawWords = (language: string, url: string): string => (WORDS[language] ?? WORDS.en!).replace('{url}', url); // prettier-ignore
