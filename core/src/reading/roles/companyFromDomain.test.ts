import { isFreeMail, isKnownDomain, registeredDomain } from '../../text/domains';
import { companyFromDomain, domainAgreement } from './companyFromDomain';
import { findEmails } from '../online/findEmails';
import { readingOf } from '../readingOf.testing';

describe('domains', () => {
  it.each([
    ['quilingen-pianos.au', 'Quilingen Pianos'],
    ['mail.kestwick.works', 'Kestwick'],
    ['norvanepianos.co', 'Norvane Pianos'],
    ['gmail.com', undefined],
    ['hotmail.co.uk', undefined],
  ])('of %s give the company %s', (domain, company) => expect(companyFromDomain(domain)).toBe(company));

  it('agree with the names that they are made of', () => {
    expect(domainAgreement('Yarbrook Metallbau KG', 'yarbrookmetall.com')).toBeGreaterThan(0.95);
    expect(domainAgreement('Corholm Aufzüge', 'corholmaufzuge.de')).toBeCloseTo(1);
    expect(domainAgreement('Brüder Krämer', 'kraemer.example')).toBeCloseTo(1);
    expect(domainAgreement('ELDMOOR', 'eldmoor-menuiserie.coop')).toBeGreaterThan(0.7);
    expect(domainAgreement('Moor', 'eldmoor-menuiserie.coop')).toBeLessThan(0.4);
    expect(domainAgreement('Nella Voss', 'harrowfield.example')).toBeLessThan(0.4);
    expect(domainAgreement('Gmail', 'gmail.com')).toBe(0);
    expect(domainAgreement("Entrepôts Frigorifiques de l'Ouest", 'efo.example')).toBe(1);
    expect(domainAgreement('Bureau of Harbour Works', 'bohw.example')).toBe(1);
  });

  it('are known by the public suffix list', () => {
    expect(isKnownDomain('ostiston.co.uk')).toBe(true);
    expect(isKnownDomain('keldermoss.example')).toBe(true);
    expect(isKnownDomain('st.john')).toBe(false);
    expect(isKnownDomain('co.uk')).toBe(false);
    expect(registeredDomain('shop.quayside.co.uk')).toBe('quayside.co.uk');
    expect(isFreeMail('mail.gmx.de')).toBe(true);
  });
});

describe('addresses in lines', () => {
  const lines = (text: string) => readingOf([text]).lines;

  it.each([
    ['E:mayert@ardvane.org.uk', ['mayert@ardvane.org.uk']],
    ['E-mail brisa_corkery @ noruralifts . com', ['brisa_corkery@noruralifts.com']],
    ['a@quay.example b@quay.example', ['a@quay.example', 'b@quay.example']],
    ['Nella.Voss@Quay.EXAMPLE', ['nella.voss@quay.example']],
    ['@handle on a network', []],
    ['a@b', []],
  ])('are the e-mails of "%s"', (text, expected) =>
    expect(findEmails(lines(text)).map((e) => e.value)).toEqual(expected),
  );
});
