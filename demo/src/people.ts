/** One made-up person with what stands on the card. Numbers are from ranges that regulators keep for fiction. */
export interface DemoPerson {
  id: string;
  prefix?: string;
  givenName: string;
  middleName?: string;
  familyName: string;
  suffix?: string;
  title: string;
  department?: string;
  company: string;
  slogan?: string;
  phones: readonly { label: string; printed: string; e164: string; kind: 'work' | 'mobile' | 'fax'; ext?: string }[];
  emails: readonly string[];
  website?: string;
  street: string;
  postalCode: string;
  locality: string;
  region?: string;
  country: 'GB' | 'DE' | 'FR' | 'SE' | 'US';
  /** A line that belongs to no field: a register, a founding year. */
  extra?: string;
}

const gb = (label: string, area: '1632' | '7700', digits: string, kind: 'work' | 'mobile' | 'fax', ext?: string) => ({
  label,
  printed: area === '1632' ? `01632 960 ${digits}` : `+44 7700 900 ${digits}`,
  e164: `+44${area}${area === '1632' ? '960' : '900'}${digits}`,
  kind,
  ...(ext && { ext }),
});

export const people: readonly DemoPerson[] = [
  { id: 'harrowfield', prefix: 'Dr.', givenName: 'Nella', familyName: 'Harrowfield-Voss', suffix: 'MBA', title: 'Head of Cold Chain & Dispatch', company: 'Harrowfield Creamery', phones: [gb('T', '1632', '117', 'work'), gb('M', '7700', '651', 'mobile')], emails: ['nella@harrowfield.example'], website: 'harrowfield.example', street: 'The Old Churn House, 9 Quay Road', postalCode: 'PE4 7QX', locality: 'Port Ellery', country: 'GB' },
  { id: 'skerry', givenName: 'Tobias', familyName: 'Skerritt', title: 'Auction Manager', company: 'Skerry Fish Auctions Ltd', phones: [gb('Tel', '1632', '204', 'work', '12'), gb('Mob', '7700', '118', 'mobile')], emails: ['t.skerritt@skerryfish.example'], website: 'www.skerryfish.example', street: '2 Harbour Steps', postalCode: 'PE4 1AB', locality: 'Port Ellery', country: 'GB' },
  { id: 'bramble', givenName: 'Adaeze', familyName: 'Okonjo', title: 'Packhouse Manager', company: 'Bramble Hill Fruit', slogan: 'Picked this morning', phones: [gb('Office', '1632', '330', 'work'), gb('Mobile', '7700', '772', 'mobile')], emails: ['adaeze.okonjo@bramblehill.example'], website: 'bramblehill.example', street: 'Unit 4, Orchard Way', postalCode: 'TN9 3LD', locality: 'Tarnmoor', country: 'GB' },
  { id: 'nordmolk', givenName: 'Henrike', familyName: 'Lüdersen', title: 'Leiterin Einkauf', company: 'Nordmolk Molkerei GmbH', phones: [{ label: 'Tel.', printed: '040 66969 412', e164: '+494066969412', kind: 'work' }, { label: 'Mobil', printed: '0171 3920 044', e164: '+491713920044', kind: 'mobile' }], emails: ['h.luedersen@nordmolk.example'], website: 'www.nordmolk.example', street: 'Am Deich 17', postalCode: '20539', locality: 'Hamburg', country: 'DE', extra: 'HRB 204417' },
  { id: 'ashgrove', givenName: 'Callum', familyName: 'Ashgrove', title: 'Master Baker', company: 'Ashgrove & Daughters', phones: [gb('T', '1632', '415', 'work')], emails: ['callum@ashgrovebakery.example'], website: 'ashgrovebakery.example', street: '31 Mill Lane', postalCode: 'PE7 2RR', locality: 'Wexcombe', country: 'GB', extra: 'Est. 1921' },
  { id: 'tidewater', givenName: 'Rosalind', middleName: 'J.', familyName: 'Achterberg', title: 'Head Brewer', company: 'Tidewater Brewing Co', phones: [gb('Brewery', '1632', '500', 'work'), gb('Mobile', '7700', '309', 'mobile')], emails: ['rosalind@tidewaterbrew.example', 'hello@tidewaterbrew.example'], website: 'tidewaterbrew.example', street: 'Maltings Yard, 5 Ferry Street', postalCode: 'PE4 8GH', locality: 'Port Ellery', country: 'GB' },
  { id: 'verger', givenName: 'Aurélien', familyName: 'Vasseur', title: 'Responsable logistique', company: 'Vergers du Cap SARL', phones: [{ label: 'Tél.', printed: '01 99 00 14 26', e164: '+33199001426', kind: 'work' }, { label: 'Port.', printed: '06 39 98 21 07', e164: '+33639982107', kind: 'mobile' }], emails: ['a.vasseur@vergersducap.example'], website: 'vergersducap.example', street: '12 quai des Pommiers', postalCode: '76600', locality: 'Le Havre', country: 'FR' },
  { id: 'fjallkyl', givenName: 'Sven', familyName: 'Åkerlund', title: 'Inköpschef', company: 'Fjällkyl Mejeri AB', phones: [{ label: 'Tel', printed: '031-390 06 21', e164: '+46313900621', kind: 'work' }, { label: 'Mob', printed: '070-174 06 33', e164: '+46701740633', kind: 'mobile' }], emails: ['sven.akerlund@fjallkyl.example'], website: 'www.fjallkyl.example', street: 'Hamngatan 8', postalCode: '411 06', locality: 'Göteborg', country: 'SE' },
  { id: 'larkspur', givenName: 'Imogen', familyName: 'Thackray', suffix: 'MCIPS', title: 'Procurement Lead', department: 'Cold Stores', company: 'Larkspur Foods plc', phones: [gb('Direct', '1632', '628', 'work'), gb('Fax', '1632', '629', 'fax')], emails: ['imogen.thackray@larkspurfoods.example'], website: 'www.larkspurfoods.example', street: '88 Granary Park', postalCode: 'TN2 6WE', locality: 'Tarnmoor', country: 'GB' },
  { id: 'pollock', givenName: 'Fergus', familyName: 'Pollock', title: 'Quayside Foreman', company: 'Pollock Bros Fish Merchants', phones: [gb('M', '7700', '845', 'mobile')], emails: ['fergus@pollockbros.example'], street: '14 Net Loft Row', postalCode: 'PE4 1AD', locality: 'Port Ellery', country: 'GB' },
  { id: 'quillan', givenName: 'Saoirse', familyName: 'Quillan', title: 'Operations Director', company: 'Quillan Cold Storage', phones: [gb('T', '1632', '701', 'work'), gb('M', '7700', '702', 'mobile')], emails: ['saoirse.quillan@quillancold.example'], website: 'quillancold.example', street: 'Dock 3, Northern Approach', postalCode: 'PE5 5TT', locality: 'Port Ellery', country: 'GB' },
  { id: 'weizen', givenName: 'Jannik', familyName: 'Brüggemann', title: 'Braumeister', company: 'Hafenbräu Elster KG', phones: [{ label: 'Fon', printed: '030 23125 418', e164: '+493023125418', kind: 'work' }, { label: 'Fax', printed: '030 23125 419', e164: '+493023125419', kind: 'fax' }], emails: ['brueggemann@hafenbraeu-elster.example'], website: 'hafenbraeu-elster.example', street: 'Speicherstraße 40', postalCode: '10117', locality: 'Berlin', country: 'DE' },
  { id: 'maple', givenName: 'Priya', familyName: 'Raman', title: 'Facilities Engineer', company: 'Maplestead Dairies', slogan: 'Milk with a postcode', phones: [gb('P', '1632', '812', 'work'), gb('C', '7700', '813', 'mobile')], emails: ['p.raman@maplestead.example'], website: 'maplestead.example', street: '6 Church Field', postalCode: 'PE9 4BN', locality: 'Maplestead', country: 'GB' },
  { id: 'cobbler', givenName: 'Desmond', familyName: 'Pyke', title: 'Owner', company: 'Cobbler’s Crust Bakery', phones: [gb('Tel', '1632', '155', 'work')], emails: ['desmond@cobblerscrust.example'], street: '3 Market Square', postalCode: 'PE7 1AA', locality: 'Wexcombe', country: 'GB' },
  { id: 'seagrain', givenName: 'Margit', familyName: 'Thorsager', title: 'Supply Chain Director', company: 'Seagrain Mills', phones: [gb('T', '1632', '244', 'work'), gb('M', '7700', '245', 'mobile')], emails: ['margit.thorsager@seagrain.example'], website: 'seagrain.example', street: '1 Millrace', postalCode: 'PE8 3DP', locality: 'Saltby', country: 'GB', extra: 'VAT reg. no. 000 4417 29' },
  { id: 'peck', givenName: 'Ronan', familyName: 'Peckover', title: 'Site Manager', company: 'Peck & Bushel', phones: [gb('Office', '1632', '377', 'work'), gb('Mobile', '7700', '378', 'mobile')], emails: ['ronan@peckandbushel.example'], website: 'peckandbushel.example', street: 'Orchard Gate, Long Drove', postalCode: 'TN9 8HJ', locality: 'Tarnmoor', country: 'GB' },
  { id: 'glace', givenName: 'Mathilde', familyName: 'Corbin', title: 'Directrice générale', company: 'Glacière Corbin SAS', phones: [{ label: 'T', printed: '+33 1 99 00 41 73', e164: '+33199004173', kind: 'work' }, { label: 'M', printed: '+33 6 39 98 55 62', e164: '+33639985562', kind: 'mobile' }], emails: ['mathilde@glaciere-corbin.example'], website: 'glaciere-corbin.example', street: '5 rue du Froid', postalCode: '62200', locality: 'Boulogne-sur-Mer', country: 'FR' },
  { id: 'haddon', givenName: 'Wilfred', familyName: 'Haddon', title: 'Transport Planner', company: 'Haddon Chilled Haulage', phones: [gb('T', '1632', '560', 'work'), gb('M', '7700', '561', 'mobile')], emails: ['wilf@haddonchilled.example'], website: 'haddonchilled.example', street: 'Lorry Park, A17 Junction', postalCode: 'PE5 9QQ', locality: 'Saltby', country: 'GB' },
  { id: 'orchid', givenName: 'Beatriz', familyName: 'Salgueiro', title: 'Quality Manager', department: 'Technical', company: 'Moorland Berries', phones: [gb('D', '1632', '890', 'work')], emails: ['beatriz.salgueiro@moorlandberries.example'], website: 'moorlandberries.example', street: '22 Fen Side', postalCode: 'TN4 4KL', locality: 'Tarnmoor', country: 'GB' },
  { id: 'crane', givenName: 'Leopold', familyName: 'Crane', title: 'Chartered Engineer', suffix: 'CEng', company: 'Crane Refrigeration', phones: [gb('Tel', '1632', '601', 'work'), gb('Mob', '7700', '602', 'mobile')], emails: ['leo@cranerefrigeration.example'], website: 'cranerefrigeration.example', street: '40 Foundry Road', postalCode: 'PE3 3ME', locality: 'Port Ellery', country: 'GB' },
  { id: 'anchor', givenName: 'Yusuf', familyName: 'Demirel', title: 'Yard Supervisor', company: 'Anchor & Oak Brewery', phones: [gb('M', '7700', '930', 'mobile')], emails: ['yusuf@anchoroak.example'], website: 'anchoroak.example', street: '11 Cooperage Lane', postalCode: 'PE4 6FF', locality: 'Port Ellery', country: 'GB' },
  { id: 'kestrel', givenName: 'Annelies', familyName: 'van der Meulen', title: 'Export Manager', company: 'Kestrel Cheese Company', phones: [gb('T', '1632', '733', 'work'), gb('M', '7700', '734', 'mobile')], emails: ['annelies@kestrelcheese.example'], website: 'kestrelcheese.example', street: 'Dairy Court, 7 High Street', postalCode: 'PE9 1CC', locality: 'Maplestead', country: 'GB' },
  { id: 'dunlin', givenName: 'Gideon', familyName: 'Marsh', title: 'Buyer', company: 'Dunlin Seafoods', phones: [gb('T', '1632', '284', 'work')], emails: ['gideon.marsh@dunlinseafoods.example'], website: 'dunlinseafoods.example', street: '18 Fish Dock Road', postalCode: 'PE4 1AF', locality: 'Port Ellery', country: 'GB' },
  { id: 'wren', givenName: 'Philippa', familyName: 'Wren', title: 'Managing Director', company: 'Wren’s Orchard Juices', phones: [gb('Direct', '1632', '190', 'work'), gb('Mobile', '7700', '191', 'mobile')], emails: ['philippa@wrensorchard.example'], website: 'wrensorchard.example', street: 'The Press House, Apple Row', postalCode: 'TN1 5GY', locality: 'Tarnmoor', country: 'GB' },
  { id: 'boreal', givenName: 'Elsa', familyName: 'Lindqvist', title: 'Projektledare', company: 'Boreal Kyllager AB', phones: [{ label: 'Tel', printed: '08-465 004 31', e164: '+46846500431', kind: 'work' }], emails: ['elsa.lindqvist@borealkyl.example'], website: 'borealkyl.example', street: 'Lagergatan 3', postalCode: '114 52', locality: 'Stockholm', country: 'SE' },
  { id: 'stanton', givenName: 'Oluwaseun', familyName: 'Stanton', title: 'Store Development Manager', company: 'Fen & Field Markets', phones: [gb('T', '1632', '677', 'work'), gb('M', '7700', '678', 'mobile')], emails: ['seun.stanton@fenandfield.example'], website: 'fenandfield.example', street: '70 Causeway', postalCode: 'TN3 8PL', locality: 'Tarnmoor', country: 'GB' },
  { id: 'larch', givenName: 'Hedda', familyName: 'Larchmont', title: 'Plant Engineer', company: 'Larchmont Ice Cream', phones: [gb('T', '1632', '321', 'work'), gb('M', '7700', '322', 'mobile')], emails: ['hedda@larchmontice.example'], website: 'larchmontice.example', street: '2 Parlour Lane', postalCode: 'PE8 8SW', locality: 'Saltby', country: 'GB' },
  { id: 'brine', givenName: 'Cornelius', familyName: 'Brine', title: 'Partner', company: 'Brine & Barrow Smokehouse', phones: [gb('Tel', '1632', '046', 'work')], emails: ['cornelius@brineandbarrow.example'], website: 'brineandbarrow.example', street: '9 Kiln Wharf', postalCode: 'PE4 2BB', locality: 'Port Ellery', country: 'GB' },
];
