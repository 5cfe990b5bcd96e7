import { wordList } from './wordList';

/** Legal forms (ISO 20275 entity legal forms, the common ones). Compared without dots and blanks. */
export const legalForms = wordList(`
  ltee enr senc sencrl srl teo teoranta dac clg partg partgmbb mbb
  ltd limited llc llp lp plc inc incorporated corp corporation co company gmbh mbh ggmbh ag kg ohg ug gbr kgaa eg ek ev se
  sa sas sasu sarl eurl sci snc scop sl slu slp sau srl srls spa sapa sas scarl scrl bv nv vof cv bvba sprl asbl
  ab hb kb as asa aps ivs ks is oy oyj ky tmi ltda lda eireli epp mei sp~zoo spzoo spj sa spk zoo pty ptyltd ptd pte
  gmbh&cokg gmbh&co soccoop soc~coop scoop coop ehf cokg vzw ry crl ua
`);

/** What firms do or are; such a word speaks for a company name. */
export const tradeWords = wordList(`
  group holding holdings partners associates brothers bros sons daughters services solutions systems technologies technology tech labs laboratories
  industries international trading enterprises ventures capital consulting logistics transport freight shipping haulage cargo
  tile brick bricks stone slate masonry tree trees irrigation helicopters aircraft airways coaches coachways pastoral maps exchange cooperative distillery spirits
  glass glazing pianos piano music organs audio visual lighting stage diagnostics medical dental clinic hospital pharmacy veterinary centre center
  lift lifts elevators ventilation heating cooling refrigeration solar energy power electric electrical plumbing roofing timber joinery carpentry
  metal metals steel foundry works workshop studio studios design architects architecture engineering construction builders building homes
  bakery brewery brewing brewers distillery winery wines wine vineyards vineyard creamery dairy dairies farm farms foods food fruit fruits fish fishery seafood orchard orchards nursery
  catering restaurant hotel inn cafe coffee tea press printing print books publishing media paper packaging textiles fabrics ceramics pottery tiles
  bank insurance finance financial law legal chambers accountants surveyors estates properties property realty geotechnical drilling mining environmental
  university college school academy institute foundation trust council society association union
  telecom software data digital networks security automation robotics instruments tools machinery equipment supply supplies hardware auctions auction
  doors cycles bikes boats marine yachts boatyard shipyard harbour aviation motors auto automotive garage tyres
  *bau *metallbau metallbau spedition *spedition aufzuge *aufzuge *technik *werk *werke werke *werkstatt *handel handel *druck druckerei *druckerei brauerei *brauerei backerei *backerei
  molkerei kellerei weingut tischlerei schreinerei gartnerei verlag *verlag klinik praxis apotheke kanzlei *system *systeme maschinenbau anlagenbau gebruder sohne
  school museum theatre gallery tavern florist landscapes landscaping stables kennels surgery physiotherapy ferries tours travel lettings roasters
  chocolates confectionery bookshop cleaners laundry tailoring clothing apparel footwear leather saddlery ironworks locksmiths removals couriers
  signs graphics films productions events weddings hire rentals groundworks civils scaffolding fencing paving driveways windows conservatories
  kitchens bathrooms interiors furniture upholstery carpets flooring biomass recycling pumps filtration controls sensors optics lasers precision
  therapeutics biotherapeutics biosciences bioscience biologics genomics pharmaceuticals pharmaceutical pharma biotech biotechnology nutrition cosmetics
  co-op coop estate hotels resort lodge retreat coffee roastery tearooms grocers grocery merchants merchant wholesale wholesalers distributors distribution
  aviation avionics aerospace composites polymers switchgear electronics semiconductors photonics telematics analytics optometry orthopaedics
  entrepots frigorifiques emballages salaisons surgeles conserverie pecheries comptoirs primeurs
  molkereigenossenschaft tiefkuhlkost fleischwaren *fleischwaren kuhlhaus frischdienst backwaren
  koelhuis diepvries vleeswaren zuivel verpakking
  frigorificos lacteos conservas congelados embutidos laticinios supermercados supermercado
  caseificio salumi surgelati conserve refrigerazione
  chlodnia mleczarnia piekarnia
  castings forgings fasteners bearings valves cables mouldings plastics rubber polymers coatings paints adhesives chemicals fertilisers grain
  winzerhof bauernhof reiterhof biohof gasthof gasthaus hofladen *residenz residenz pflegeheim kita schule *schule hochschule universitat theater
  galerie buchhandlung optik fahrschule *praxis hausverwaltung immobilien versicherungen *kanzlei ingenieurburo architekturburo planungsburo
  fahrrader velos konditorei metzgerei fleischerei imkerei baumschule sagewerk zimmerei dachdeckerei malerbetrieb elektro sanitar heizung
  stadtwerke verein forstverwaltung blumen naturheilpraxis *praxis lichttechnik stiftung genossenschaft *genossenschaft
  musee hopital papeteries immeubles clinique parfums bateaux cabinet sellerie miroiterie
  fondation conserverie armement editions theatre receptions laboratoire chantier charpente maconnerie vergers elevage
  ferme garage pharmacie librairie ecole moulin brulerie patisserie chocolaterie savonnerie tonnellerie ebenisterie serrurerie plomberie chauffage
  paysages jardins pepinieres scierie marbrerie poterie cordonnerie bijouterie horlogerie optique agence groupe societe compagnie entreprise
  huitres balades
  marmoles canteras ferreteria carpinteria cerrajeria pasteleria cafeteria restaurante libreria galeria museo escuela colegio tienda finca
  hacienda almazara viveros graficas electricidad fontaneria reformas muebles optica joyeria relojeria grupo compania cooperativa
  carpintaria serralharia pastelaria livraria museu escola loja herdade adega azeites viveiros tipografia grafica eletricidade joalharia
  companhia imobiliaria condominios madeireira construtora
  cartiera autofficina meccanica carpenteria centro~clinico vivaio calzaturificio
  fondazione teatro birrificio laboratorio cooperativa consorzio associazione tipografia vivai
  bottega osteria trattoria pizzeria gelateria pasticceria agriturismo podere fattoria falegnameria sartoria oreficeria liuteria enoteca
  salumificio frantoio oleificio pastificio lanificio ristorante albergo autofficina carrozzeria impresa ditta impianti olearia
  dakwerken dierenkliniek kliniek verpakkingen scheepsbouw zuivelboerderij boerderij liftservice
  verhuur makelaardij schildersbedrijf hoveniersbedrijf kwekerij slagerij boekhandel praktijk apotheek autobedrijf rijschool jachtwerf *jachtbouw
  schrijnwerkerij timmerbedrijf adviesbureau ingenieursbureau stichting vereniging cooperatie
  *hytta hytte *huset *museet rogeri tommerhandel bokforlag forlag *forlag stiftelse stiftelsen
  *skole *skola *skule koreskole entreprenor sjotransport rederi hotell restaurang kafe bokhandel galleri klinik mottagning apotek bilverkstad
  trafikskola batbyggeri fiskeeksport belysning glasbruk malerfirma gartneri planteskole
  *toimisto ravintola kahvila koulu museo apteekki kauppa huolto korjaamo veneet puutarha
  winnica restauracja kawiarnia szkola muzeum galeria apteka sklep hurtownia warsztat zaklady meble cukiernia kancelaria wyceny przetwory
  etude notariat bufete despacho asesoria gestoria notaria estudio atelier cerveceria confiteria farmacia ferreteria imprenta
  toitures menuiserie imprimerie vignobles vins domaine chateau fonderie verrerie couverture transports ateliers etablissements ets cabinet maison fromagerie laiterie boulangerie brasserie freres fils
  bodegas vinos talleres hermanos hijos maderas transportes construcciones ceramicas frutas quesos panaderia clinica
  vinhos madeiras moveis transportes construcoes irmaos filhos quinta lacticinios padaria
  ceramiche legnami tessuti vini cantina cantine officine fratelli figli trasporti costruzioni caseificio panificio studio azienda tenuta
  bouw houtbouw *bouw drukkerij brouwerij bakkerij zuivel transport gebroeders zonen scheepswerf installatie *techniek
  bygg el ror tomrer tomreri snickeri *verkstad mekaniska bryggeri mejeri bageri vaerft *vaerft maskin *maskin *teknik tryk tryckeri entreprenad
  rakennus *rakennus panimo meijeri leipomo konepaja kuljetus
  gemeinde *gemeinde stadtverwaltung landratsamt krankenhaus *klinikum *praktijk gemeente ziekenhuis creche mairie commune hopital residence
  fundacion conservas celler construccions fundacao cortica corticas sementes
  transportadora distribuidora comercializadora constructora inmobiliaria aseguradora mudanzas fabrica herramientas naranjas papelera embotits acuarios aceites
  ayuntamiento concello junta comune ospedale municipio prefeitura camara kommun kommune sjukhus sykehus sygehus barnehage forskola kunta kaupunki
  sairaala gmina urzad szpital przedszkole council borough parish surgery ambulance
  fundacja stowarzyszenie spoldzielnia huta zaklady fabryka
  budownictwo transport drukarnia browar mleczarnia piekarnia stolarnia zaklad przedsiebiorstwo
`);

/** Mail domains that belong to no single company. */
export const freeMailDomains = new Set(
  `gmail.com googlemail.com outlook.com hotmail.com live.com msn.com yahoo.com ymail.com icloud.com me.com mac.com aol.com proton.me
   protonmail.com pm.me gmx.com gmx.de gmx.net gmx.at gmx.ch web.de t-online.de freenet.de mail.de posteo.de arcor.de online.de
   orange.fr wanadoo.fr free.fr laposte.net sfr.fr yahoo.fr hotmail.fr libero.it virgilio.it alice.it tin.it tiscali.it hotmail.it yahoo.it
   terra.es hotmail.es yahoo.es telefonica.net sapo.pt mail.pt uol.com.br bol.com.br terra.com.br ig.com.br hotmail.com.br yahoo.com.br
   ziggo.nl kpnmail.nl planet.nl xs4all.nl hetnet.nl telenet.be skynet.be telia.com bredband.net comhem.se online.no jubii.dk mail.dk
   luukku.com suomi24.fi wp.pl o2.pl onet.pl interia.pl gazeta.pl btinternet.com sky.com talktalk.net ntlworld.com virginmedia.com
   yahoo.co.uk hotmail.co.uk live.co.uk outlook.de hotmail.de yahoo.de comcast.net verizon.net att.net sbcglobal.net bellsouth.net
   cox.net charter.net earthlink.net rogers.com shaw.ca sympatico.ca bigpond.com optusnet.com.au eircom.net bluewin.ch hispeed.ch chello.at
   aon.at a1.net fastmail.com mail.com tutanota.com hey.com`.split(/\s+/),
);
