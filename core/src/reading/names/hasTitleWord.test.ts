import { hasTitleWord } from './hasTitleWord';

it.each([
  ['English', 'General Contractor', 'Head Roaster', 'Registered Therapist', 'Facilities Caretaker'],
  ['German', 'Assistenz der Geschäftsleitung', 'Kfz-Mechanikerin', 'Pressesprecherin', 'Landschaftsgärtner'],
  ['French', 'Éditrice', 'Maître chocolatier', 'Négociatrice', 'Juriste'],
  ['Spanish', 'Podóloga', 'Transportista', 'Administrativa'],
  ['Italian', 'Psicoterapeuta', 'Vivaista', 'Istruttrice di vela'],
  ['Dutch', 'Trajectbegeleider', 'Stukadoor', 'Juridisch adviseur'],
  ['Swedish', 'Förläggare', 'Apotekare'],
  ['Danish and Norwegian', 'Tandlæge', 'Rørlegger'],
  ['Finnish', 'Asianajaja', 'Apteekkari'],
  ['Polish', 'Hydraulik', 'Główny technolog'],
  ['Portuguese', 'Nutricionista', 'Motorista'],
])('%s positions: %s', (_, ...titles) => expect(titles.filter((title) => !hasTitleWord(title))).toEqual([]));

it.each([
  'Hans Fischer',
  'Ulrike Richter',
  'Ada Shepherd',
  'Teresa Herrero',
  'Jan de Boer',
  'Luc Boucher',
  'Uwe Obermeier',
  'Gerd Baumgartner',
  'Ilse Neubauer',
  'Ugo Notaro',
  'Dr. med. vet. Ada Moor',
])('%s is a name', (name) => expect(hasTitleWord(name)).toBe(false));
