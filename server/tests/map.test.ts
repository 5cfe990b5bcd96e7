import { randomUUID } from 'node:crypto';
import type { OwnPlaces, PeopleMap, Towns } from '@dossier/contract';
import { Client } from './client';

jest.setTimeout(120_000);

const STAMP = `Mapp${randomUUID().slice(0, 6)}`;
let rep: Client;
beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  const at = (givenName: string, fields: object) => rep.filed({ givenName, familyName: STAMP, emails: [`${givenName}.${STAMP}@quay.example`], country: 'GB', ...fields }); // prettier-ignore
  await at('Ann', { locality: 'Whitby', postalCode: 'YO21 1QL' });
  await at('Bea', { locality: 'WHITBY ' });
  await at('Cal', { locality: 'Newport' });
  await at('Dov', { locality: `Port ${STAMP}`, postalCode: 'PE4 7QX' });
  await at('Eli', { locality: `Port ${STAMP}`, postalCode: 'PE9 1AA' });
  await at('Fay', { country: '' });
});
const map = async (more = '', who = rep) => (await who.get<PeopleMap>(`/people/map?q=${STAMP}${more}`)).body;

it('has everybody whose place is surely known, and lists the others', async () => {
  const { places, unplaced, without, total } = await map();
  expect(places).toHaveLength(1);
  expect(places[0]).toMatchObject({ by: 'town', label: 'Whitby, GB' });
  expect(places[0]!.lat).toBeCloseTo(54.49, 1);
  expect(places[0]!.people.map(({ name }) => name).sort()).toEqual([`Ann ${STAMP}`, `Bea ${STAMP}`]);
  expect(unplaced.map(({ locality, postalCode, people }) => [locality, postalCode, people])).toEqual([
    ['Newport', '', 1],
    [`Port ${STAMP}`, 'PE4 7QX', 1],
    [`Port ${STAMP}`, 'PE9 1AA', 1],
  ]);
  // Several are called so: which one is for a person to say.
  expect(unplaced[0]!.towns.length).toBeGreaterThan(2);
  expect(unplaced[1]!.towns).toEqual([]);
  expect([without, total]).toEqual([1, 6]);
});

it('follows what the team says of a town or of a postal code, the more exact first', async () => {
  const say = (fields: object) => rep.send('PUT', '/own-places', { country: 'GB', ...fields });
  expect((await say({ lat: 56, lon: -2 })).status).toBe(400);
  expect((await say({ town: 'x', lat: 156, lon: -2 })).status).toBe(400);
  expect((await say({ town: `port ${STAMP.toUpperCase()}`, lat: 56, lon: -2 })).status).toBe(204);
  expect((await say({ town: `Port ${STAMP}`, postalCode: 'PE9', lat: 57, lon: -2.5 })).status).toBe(204);
  const newport = (await map()).unplaced.find(({ locality }) => locality === 'Newport')!.towns[0]!;
  await say({ town: 'Newport', lat: newport.lat, lon: newport.lon });
  const { places, unplaced } = await map();
  expect(unplaced).toEqual([]);
  const placeOf = (name: string) => places.find(({ people }) => people.some((one) => one.name.startsWith(name)))!;
  expect(placeOf('Dov')).toMatchObject({ lat: 56, by: 'own' });
  expect(placeOf('Eli')).toMatchObject({ lat: 57, by: 'own' });
  expect(placeOf('Cal').lat).toBe(newport.lat);
  // Said again it is another place, not two.
  await say({ town: `Port ${STAMP}`, lat: 56.5, lon: -2 });
  const own = (await rep.get<OwnPlaces>('/own-places')).body.items.filter(({ town }) => town.includes(STAMP));
  expect(own.map(({ postalCode, lat, by }) => [postalCode, lat, by])).toEqual([['', 56.5, 'Ottilie Brandt'], ['PE9', 57, 'Ottilie Brandt']]); // prettier-ignore
  for (const { id } of (await rep.get<OwnPlaces>('/own-places')).body.items)
    expect((await rep.send('DELETE', `/own-places/${id}`)).status).toBe(204);
  expect((await map()).unplaced).toHaveLength(3);
});

it('is narrowed as the list is, and shows nobody of another team', async () => {
  expect((await map('&town=Newport')).total).toBe(1);
  const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
  expect(await map('', stranger)).toEqual({ places: [], unplaced: [], without: 0, total: 0 });
});

it('finds towns by how they begin, the largest first', async () => {
  const { items } = (await rep.get<Towns>('/towns?q=aberde')).body;
  expect(items[0]).toMatchObject({ name: 'Aberdeen', country: 'GB' });
  expect((await rep.get('/towns?q=a')).status).toBe(400);
  expect((await rep.get<Towns>(`/towns?q=${encodeURIComponent('göteb')}`)).body.items[0]!.name).toBe('Göteborg');
});
