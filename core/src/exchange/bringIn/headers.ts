import { fold } from '../../text';

/** What headers of tables are called for each target, in many languages. */
const NAMES: Readonly<Record<string, string>> = {
  prefix: 'form of address, prefix, salutation, anrede, name prefix, civilite, tratamiento, aanhef',
  givenName: 'first name, given name, forename, firstname, vorname, prenom, nombre, nome, voornaam, fornamn, fornavn, etunimi, imie, jmeno, krestni jmeno, keresztnev, meno',
  middleName: 'middle name, middlename, additional name, zweiter vorname, deuxieme prenom, segundo nombre, secondo nome, tussenvoegsel, mellannamn, mellomnavn',
  familyName: 'last name, surname, family name, lastname, nachname, familienname, nom, nom de famille, apellido, apellidos, cognome, sobrenome, achternaam, efternamn, etternavn, efternavn, sukunimi, nazwisko, prijmeni, vezeteknev, priezvisko',
  suffix: 'letters after the name, suffix, name suffix, credentials, namenszusatz, suffixe, sufijo, suffisso',
  fullName: 'name, full name, fullname, display name, contact, contact name, person, ansprechpartner, kontakt, kontaktperson, vollstandiger name, nom complet, nombre completo, nome completo, naam, namn, navn, nimi, imie i nazwisko, nev',
  company: 'company, company name, organisation, organization, organisation name, organization name, firm, firma, firmenname, unternehmen, societe, entreprise, empresa, azienda, ditta, societa, bedrijf, foretag, yritys, virksomhed, ceg, account',
  title: 'title, job title, position, role, function, funktion, berufsbezeichnung, fonction, poste, cargo, puesto, ruolo, mansione, functie, befattning, stilling, tehtava, stanowisko, pozice, beosztas',
  department: 'department, division, abteilung, bereich, service, departement, departamento, reparto, afdeling, avdelning, osasto, dzial, oddeleni, osztaly',
  email: 'e-mail, email, mail, e-mail address, email address, e-mail-adresse, emailadresse, courriel, adresse mail, adresse e-mail, correo, correo electronico, posta elettronica, indirizzo e-mail, e-mailadres, e-post, epost, e-postadress, sahkoposti',
  phone: 'phone, telephone, tel, phone number, telephone number, business phone, work phone, office phone, telefon, telefonnummer, rufnummer, telefon geschaftlich, numero de telephone, telefono, telefone, telefoon, telefoonnummer, puhelin, puhelinnumero, nr telefonu, telefonszam',
  mobile: 'mobile, mobile phone, cell, cell phone, cellphone, handy, handynummer, mobil, mobiltelefon, mobilnummer, portable, telephone portable, movil, telefono movil, cellulare, telemovel, celular, gsm, mobiel, matkapuhelin, komorka, telefon komorkowy, mobilni telefon',
  fax: 'fax, fax number, business fax, telefax, faxnummer, telecopie, faks, faksi',
  website: 'website, web, web site, url, web page, homepage, internet, webseite, site web, site, pagina web, sito, sito web, sitio web, hemsida, nettside, kotisivu, strona www, web oldal',
  street: 'street, street address, address line 1, strasse, str, rue, calle, via, rua, straat, gata, gade, gate, katuosoite, ulica, ulice, utca',
  address: 'address, full address, postal address, adresse, anschrift, adresse postale, direccion, indirizzo, endereco, adres, adress, osoite, cim',
  postalCode: 'postal code, postcode, post code, zip, zip code, plz, postleitzahl, code postal, cp, cap, codigo postal, postnummer, postnr, postinumero, kod pocztowy, psc, iranyitoszam',
  locality: 'town, city, place, ort, stadt, ville, ciudad, localidad, citta, comune, localidade, plaats, stad, by, poststed, kaupunki, miasto, mesto, varos',
  region: 'region, state, county, province, state/province, bundesland, kanton, departement region, provincia, comunidad, estado, provincie, lan, fylke, maakunta, wojewodztwo, kraj region, megye',
  country: 'country, country/region, land, staat, pays, pais, paese, maa, kraj, zeme, orszag, krajina',
  tags: 'tags, tag, categories, category, keywords, labels, schlagworte, kategorien, kategorie, mots-cles, etiquetas, etichette, trefwoorden, taggar',
  note: 'note, notes, comment, comments, remark, remarks, description, bemerkung, bemerkungen, notiz, notizen, kommentar, commentaire, commentaires, remarques, notas, comentarios, note libere, opmerkingen, anteckningar, merknad, huomautus, uwagi, poznamka, megjegyzes',
  kind: 'kind, contact type, record type, art, type de contact',
  rating: 'rating, priority, lead rating, bewertung, prioritat, priorite, prioridad, priorita',
  owner: 'owner, account manager, responsible, betreuer, besitzer, zustandig, proprietaire, responsable, responsabile',
}; // prettier-ignore

const plain = (text: string): string =>
  fold(text)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

let targets: Map<string, string> | undefined;

function targetsByName(): Map<string, string> {
  const found = new Map<string, string>();
  for (const [target, names] of Object.entries(NAMES))
    for (const name of names.split(', ')) if (!found.has(plain(name))) found.set(plain(name), target);
  return found;
}

/** What a column of this name is, whatever number stands behind it: "E-mail 2"; undefined for a name that says nothing. */
export function targetOfHeader(header: string): string | undefined {
  targets ??= targetsByName();
  const name = plain(header);
  const without = name.replace(/ (?:value|work|business|office|geschaftlich)$/, '').replace(/ ?\d+$/, '');
  return targets.get(name) ?? targets.get(without);
}
