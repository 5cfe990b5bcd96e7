import { lostAccent, lostJoinedLetter } from './lostAccent';
import { proposeFields } from '../proposeFields';
import { readingOfText } from '../readingOfText';

test.each([
  ['Begona', 'ES', 'Begoña'],
  ['Jorg-Uwe', 'DE', 'Jörg-Uwe'],
  ['Kaminska', 'PL', 'Kamińska'],
  ['Wiestawa', 'PL', 'Wiesława'],
  ['Pawtowski', 'PL', 'Pawłowski'],
  ['Oberg', 'SE', 'Öberg'],
  ['Gołabek', 'PL', 'Gołąbek'],
  ['O Laoire', 'IE', 'Ó Laoire'],
])('%s of %s is perhaps %s', (name, country, accented) => {
  expect(lostAccent(name, `${name} Somebody`, country)).toMatchObject({ value: accented, other: name });
});

test.each([
  ['Begona', 'ES', 'Begona', 'Begoña'],
  ['O Laoire', 'IE', 'O Laoire', 'Ó Laoire'],
  ['Kaminska', 'PL', 'Kamińska', 'Kaminska'],
  ['Oberg', 'SE', 'Öberg', 'Oberg'],
])('in capitals %s of %s is %s, perhaps %s', (name, country, value, other) =>
  expect(lostAccent(name, name.toUpperCase(), country)).toMatchObject({ value, other }),
);

test('a capital at the beginning of a French name is often printed without', () =>
  expect(lostAccent('Elodie', 'Elodie Vanmeerbeek', 'BE')).toMatchObject({ value: 'Elodie', other: 'Élodie' }));

test.each([
  ['Jorg', 'NL'],
  ['Begoña', 'ES'],
  ['Mônica', 'PT'],
  ["O'Malley", 'IE'],
  ['Maria', 'ES'],
  ['Krystyna', 'PL'],
  ['Wiestawa', 'DE'],
  ['Muller', 'GB'],
  ['Kaminska', undefined],
])('%s of %s is spelled so', (name, country) => expect(lostAccent(name, name, country)).toBeUndefined());

test.each([
  ['Svolvaer', 'NO', 'Svolvær'],
  ['NAESTVED', 'DK', 'NÆSTVED'],
  ['Aerø', 'DK', 'Ærø'],
])('%s in %s is perhaps %s', (place, country, value) =>
  expect(lostJoinedLetter(place, country)).toMatchObject({ value, other: place }),
);

test('two letters stay two in names, and in other countries', () => {
  expect(lostAccent('Michael', 'Michael', 'DK')).toBeUndefined();
  expect(lostJoinedLetter('Straelen', 'DE')).toBeUndefined();
  expect(lostAccent('Kjaer', 'Kjaer', 'DK')).toMatchObject({ value: 'Kjær', other: 'Kjaer' });
});

test('such a name is a doubt, with the other spelling to choose', () => {
  const { fields } = proposeFields(
    readingOfText('Conservas Cantera S.L.\nBegona Iturriaga\nDirectora\n39740 Santoña\nTel. +34 942 00 55 14'),
  );
  const given = fields.find(({ field }) => field === 'givenName')!;
  expect(given).toMatchObject({
    value: 'Begoña',
    disagreement: { code: 'usuallySpelled', said: 'Begona', other: 'Begoña' },
  });
  expect(given.runnersUp?.map(({ value }) => value)).toContain('Begona');
  expect(given.confidence).toBeLessThan(0.8);
});
