import { wordList } from './wordList';

/** Words that say that a line names a part of a firm. */
export const departmentHeads = wordList(`
  department dept division unit team section directorate faculty school institute laboratory laboratories
  abteilung *abteilung bereich *bereich ressort referat stabsstelle fachbereich werkstatt
  service departement direction pole cellule atelier bureau
  departamento seccion division area direccion depto
  departamento setor divisao direcao diretoria area gabinete
  reparto ufficio divisione settore area direzione
  afdeling *afdeling dienst
  avdelning *avdelning avdeling *avdelingen *avdelningen afdelingen *afdelingen enhet sektion
  osasto *osasto yksikko
  dzial dzialu wydzial biuro
  lehrstuhl *lehrstuhl fakultat dekanat chaire cattedra catedra katedra
`);

/** What such parts do; alone on a line they name the part. */
export const departmentTopics = wordList(`
  sales marketing finance accounting accounts purchasing procurement operations logistics engineering production manufacturing
  hr human~resources research development r&d it legal compliance quality maintenance export import administration
  customer~service customer~services customer~care technical~services laboratory~services business~development public~relations communications
  northern~region southern~region eastern~region western~region after-sales aftersales projects estimating design dispatch
  vertrieb verkauf einkauf buchhaltung personal produktion technik entwicklung forschung konstruktion lager versand kundendienst
  rechnungswesen finanzen innendienst aussendienst qualitatssicherung
  ventes achats comptabilite ressources~humaines commercial finances logistique
  ventas compras contabilidad recursos~humanos finanzas logistica
  vendas compras contabilidade recursos~humanos financeiro
  vendite acquisti contabilita risorse~umane amministrazione commerciale
  verkoop inkoop boekhouding personeelszaken
  forsaljning inkop ekonomi salg indkob innkjop regnskab okonomi myynti osto talous
  kundeservice kundtjanst asiakaspalvelu klantenservice kundenservice service~client service~clients atencion~al~cliente assistenza~clienti obsluga~klienta
  eksport logistik logistiikka markkinointi marknad marknadsforing markedsforing qualitat qualitatsmanagement controlling
  sprzedaz zakupy ksiegowosc kadry
`);
