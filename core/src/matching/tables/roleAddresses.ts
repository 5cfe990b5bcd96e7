import { fold } from '../../text';

/** Parts before the `@` behind which there is an office and not one person, in the languages cards are expected in. */
const ROLES = new Set(
  `info mail office contact contactus kontakt hello hallo hola ola bonjour ciao post postmaster webmaster admin administration
   administracion administracao amministrazione verwaltung sekretariat secretariat secretary reception rezeption empfang zentrale
   sales vertrieb verkauf ventes ventas vendas vendite verkoop sprzedaz salg myynti forsaljning export import einkauf purchasing
   purchase procurement compras achats acquisti inkoop zakupy buying orders order bestellung bestellungen commande commandes pedidos
   ordini service customerservice customercare kundenservice kundendienst servicedesk helpdesk help support soporte suporte assistenza
   hilfe team enquiries enquiry inquiries inquiry anfrage anfragen ask questions marketing press presse prensa media pr news newsletter
   accounts accounting accountspayable buchhaltung rechnung rechnungen invoice invoices invoicing factures faktura billing finance
   finanzen fakturering jobs job karriere career careers hr personal bewerbung recruiting recruitment rrhh noreply no-reply donotreply
   shop store booking bookings reservation reservations reservierung reservas prenotazioni logistics logistik versand dispatch warehouse
   lager legal compliance datenschutz privacy gdpr security it edv technik technical tech praxis clinic surgery studio atelier buro bureau
   kanzlei zentral general generale studioinfo ufficio segreteria direccion direction direktion board management geschaeftsfuehrung
   ekonomi kundtjanst kundeservice receptie klantenservice biuro sekretariaat contacto contato contatto kontor toimisto asiakaspalvelu`
    .split(/\s+/)
    .filter(Boolean),
);

/** Whether an address reaches an office and not one person: "info@…", "sales.uk@…", "office2@…". */
export function isRoleAddress(email: string): boolean {
  const local = fold(email.slice(0, email.indexOf('@')));
  return ROLES.has(local) || ROLES.has(local.replace(/[^a-z]/g, '')) || ROLES.has(local.split(/[._+-]/)[0]!);
}
