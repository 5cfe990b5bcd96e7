/** How letters begin, by language: to somebody by the whole name, by title and family name, and to nobody in particular. */
export const GREETINGS: Readonly<Record<string, { named: string; titled: string; anybody: string }>> = {
  en: { named: 'Dear {name},', titled: 'Dear {title} {family},', anybody: 'Hello,' },
  de: { named: 'Guten Tag {name},', titled: 'Guten Tag {title} {family},', anybody: 'Guten Tag,' },
  fr: { named: 'Bonjour {name},', titled: 'Bonjour {title} {family},', anybody: 'Bonjour,' },
  es: { named: 'Hola, {name}:', titled: 'Hola, {title} {family}:', anybody: 'Hola:' },
  it: { named: 'Buongiorno {name},', titled: 'Buongiorno {title} {family},', anybody: 'Buongiorno,' },
  pt: { named: 'Olá {name},', titled: 'Olá {title} {family},', anybody: 'Olá,' },
  nl: { named: 'Beste {name},', titled: 'Beste {title} {family},', anybody: 'Goedendag,' },
  da: { named: 'Kære {name}', titled: 'Kære {title} {family}', anybody: 'Goddag' },
  nb: { named: 'Hei {name},', titled: 'Hei {title} {family},', anybody: 'Hei,' },
  sv: { named: 'Hej {name},', titled: 'Hej {title} {family},', anybody: 'Hej,' },
  fi: { named: 'Hei {name},', titled: 'Hei {title} {family},', anybody: 'Hei,' },
  pl: { named: 'Dzień dobry, {name},', titled: 'Dzień dobry, {title} {family},', anybody: 'Dzień dobry,' },
  cs: { named: 'Dobrý den, {name},', titled: 'Dobrý den, {title} {family},', anybody: 'Dobrý den,' },
};
export const MESSAGE_LANGUAGES = Object.keys(GREETINGS);
