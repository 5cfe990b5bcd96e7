/** What the one reply that needs no consent answers. */
export const ASKED_FOR_DETAILS = 'Your details';

const WORDS: Readonly<Record<string, { subject: string; body: string; page: string }>> = {
  en: { subject: 'My details: {name}', body: 'Here are my details, as you asked.', page: 'They are also here:' },
  de: { subject: 'Meine Kontaktdaten: {name}', body: 'Hier sind wie gewünscht meine Kontaktdaten.', page: 'Sie stehen auch hier:' }, // prettier-ignore
  fr: { subject: 'Mes coordonnées : {name}', body: 'Voici mes coordonnées, comme demandé.', page: 'Elles sont aussi ici :' }, // prettier-ignore
  es: { subject: 'Mis datos: {name}', body: 'Aquí tiene mis datos, como me pidió.', page: 'También están aquí:' },
  it: { subject: 'I miei recapiti: {name}', body: 'Ecco i miei recapiti, come richiesto.', page: 'Si trovano anche qui:' }, // prettier-ignore
  pt: { subject: 'Os meus contactos: {name}', body: 'Aqui estão os meus contactos, como pediu.', page: 'Também estão aqui:' }, // prettier-ignore
  nl: { subject: 'Mijn gegevens: {name}', body: 'Hier zijn mijn gegevens, zoals u vroeg.', page: 'Ze staan ook hier:' },
  da: { subject: 'Mine oplysninger: {name}', body: 'Her er mine oplysninger, som du bad om.', page: 'De står også her:' }, // prettier-ignore
  nb: { subject: 'Mine opplysninger: {name}', body: 'Her er opplysningene mine, som du ba om.', page: 'De står også her:' }, // prettier-ignore
  sv: { subject: 'Mina uppgifter: {name}', body: 'Här är mina uppgifter, som du bad om.', page: 'De finns också här:' },
  fi: { subject: 'Yhteystietoni: {name}', body: 'Tässä ovat pyytämäsi yhteystietoni.', page: 'Ne löytyvät myös täältä:' }, // prettier-ignore
  pl: { subject: 'Moje dane: {name}', body: 'Oto moje dane, zgodnie z prośbą.', page: 'Są także tutaj:' },
  cs: { subject: 'Moje údaje: {name}', body: 'Zde jsou mé údaje, jak jste si přáli.', page: 'Najdete je také zde:' },
};

export interface CardToSend {
  /** ISO 639-1; English where it has no words here. */
  language: string;
  /** How whoever gets it is greeted. */
  greeting: string;
  /** Whose details they are. */
  name: string;
  /** What stands on the card itself for everybody; may be empty. */
  ownWords: string;
  /** Address of its page; undefined where it has none. */
  page?: string;
}

/** The message with which one's own details go to somebody who asked for them. */
export function sendCardWords({ language, greeting, name, ownWords, page }: CardToSend): {
  subject: string;
  body: string;
} {
  const words = WORDS[language] ?? WORDS.en!;
  const parts = [greeting, words.body, ownWords, page && `${words.page} ${page}`, name];
  return { subject: words.subject.replace('{name}', name), body: parts.filter(Boolean).join('\n\n') };
}

/** The same in a text message: no greeting, one line. */
export function textCardWords({ language, name, page }: Pick<CardToSend, 'language' | 'name' | 'page'>): string {
  const { body } = WORDS[language] ?? WORDS.en!;
  return [body, name, page].filter(Boolean).join(' ');
}
