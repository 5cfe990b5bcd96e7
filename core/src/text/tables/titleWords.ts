import { wordList } from './wordList';

/**
 * Words that name what a person is at work, in the languages cards are expected in. Compiled from
 * the occupation groups of ISCO-08 and everyday business use; endings cover compounds.
 */
export const titleHeads = wordList(`
  rehtori rektor rector recteur rettore reitor vararehtori toimitusjohtaja obfrau obmann obermeister kellermeister hüttenwirt hüttenwirtin ostreiculteur osteopathe notaire ghillie gillie optometrist optician skipper sommelier sommeliere
  originator taster wholesaler retailer viticulturist horticulturist anaesthetist anesthetist marshal bailiff dispatcher toolmaker milliner
  *wartin hüttenwart hauswart platzwart *beamtin *beamter *vaktare *oppdretter *kundige sognepræst provst capocantiere capotecnico capoturno
  metsuri sadownik ogrodnik swyddog oifigeach stiúrthóir
  manager manageress director directress officer head chief president vice-president chairman chairwoman chair
  partner owner co-owner proprietor founder co-founder principal associate assistant secretary consultant advisor adviser
  engineer technician technologist architect designer developer programmer analyst scientist researcher chemist
  accountant accountmanager auditor controller treasurer bookkeeper economist buyer purchaser planner estimator surveyor valuer
  representative rep agent broker salesman saleswoman salesperson executive coordinator co-ordinator supervisor superintendent
  foreman forewoman operator inspector instructor trainer teacher lecturer professor dean reader tutor
  lawyer attorney solicitor barrister notary counsel paralegal judge clerk administrator receptionist registrar
  doctor physician surgeon dentist nurse midwife veterinarian vet pharmacist optician optometrist therapist physiotherapist
  psychologist psychiatrist radiographer hygienist paramedic
  specialist expert lead leader strategist editor journalist writer author photographer producer curator conservator restorer
  librarian archivist translator interpreter artist sculptor musician conductor luthier tuner
  brewer distiller baker butcher chef cook sommelier winemaker vintner cellarmaster farmer grower gardener florist forester
  carpenter joiner cabinetmaker cooper mason plumber electrician welder roofer glazier glazer painter decorator builder
  blacksmith smith jeweller jeweler goldsmith tailor dressmaker upholsterer printer bookbinder potter ceramist weaver tanner
  driver dispatcher pilot captain skipper shipwright fitter machinist mechanic installer rigger miller stonemason
  superviser geologist hydrologist geophysicist biologist physicist meteorologist
  ceo cto cfo coo cio cmo cso ciso chro evp svp vp md gm
  *leiter *leiterin leiter leiterin *fuhrer *fuhrerin geschaftsfuhrer* inhaber* *meister *meisterin meister* *techniker *technikerin
  *ingenieur *ingenieurin *berater *beraterin *referent *referentin *sachbearbeiter *sachbearbeiterin *assistent *assistentin
  *entwickler *entwicklerin *verwalter *verwalterin *einkaufer *einkauferin *verkaufer *verkauferin *vertreter *vertreterin
  *beauftragter *beauftragte *planer *planerin *anwalt *anwaltin *arzt *arztin *steuerberater vorstand* prokurist* gesellschafter*
  disponent* bauleiter* architekt* apotheker* notar notarin notare notariat kaufmann kauffrau *kaufmann *kauffrau direktor* geschaftsleitung teilhaber*
  gartner* orgelbauer geigenbauer klavierbauer gitarrenbauer instrumentenbauer bootsbauer messebauer gerustbauer metallbauer ofenbauer
  brunnenbauer buhnenbauer modellbauer trockenbauer holzbauer anlagenbauer karosseriebauer obstbauer ackerbauer gemusebauer biobauer milchbauer *brauer *backer tischler* schreiner* zimmermann kufer* goldschmied* koch kochin lehrer* dozent* *monteur *monteurin
  *chef *chefin buchhalter* steuerfachwirt* *makler *maklerin *trainer *pfleger *gestalter *gestalterin sekretar* *sekretar *sekretarin
  directeur directrice responsable gerant gerante president presidente chef cheffe adjoint adjointe conseiller conseillere ingenieur*
  technicien technicienne commercial commerciale charge chargee attache attachee assistante avocat avocate notaire maitre
  comptable acheteur acheteuse vendeur vendeuse secretaire medecin pharmacien pharmacienne veterinaire architecte redacteur redactrice
  fondateur fondatrice associe associee proprietaire gestionnaire coordinateur coordinatrice formateur formatrice consultante
  verrier vigneron vigneronne caviste oenologue artisan menuisier ebeniste charpentier couvreur imprimeur mecanicien delegue deleguee
  directora profesor profesora jefe jefa gerente encargado encargada responsable presidenta socio socia ingeniero ingeniera tecnico tecnica
  abogado abogada asesor asesora consultor consultora arquitecto arquitecta contable comercial secretario secretaria propietario propietaria
  fundador fundadora medico medica veterinario veterinaria farmaceutico farmaceutica vendedor vendedora comprador compradora coordinador
  coordinadora administrador administradora enologo enologa bodeguero maestro maestra delegado delegada subdirector subdirectora
  diretor diretora director-geral diretor-geral diretora-geral gestor gestora chefe socio-gerente engenheiro engenheira advogado advogada
  responsavel encarregado encarregada proprietario proprietaria fundadora supervisor supervisora coordenador coordenadora analista
  arquiteto arquiteta contador contadora tecnico mestre enologo vendedor comprador representante assessor assessora administrador
  direttore direttrice responsabile amministratore amministratrice titolare socio capo capoturno ingegnere tecnico avvocato avvocata
  commercialista architetto consulente addetto addetta impiegato segretario segretaria ragioniere geometra agente rappresentante
  fondatore fondatrice medico farmacista veterinario enologo enotecnico cantiniere maestro mastro mugnaio restauratore restauratrice coordinatrice coordinatore
  presidente vicepresidente delegato delegata procuratore procuratrice
  directeur-generaal eigenaar eigenares bedrijfsleider bedrijfsleidster hoofd vertegenwoordiger medewerker medewerkster adviseur
  inkoper verkoper *manager *directeur teamleider vennoot zaakvoerder projectleider werkvoorbereider boekhouder advocaat arts dierenarts
  directie accountmanager tuinder kweker bakker brouwer timmerman loodgieter wijnmaker meester *meester *bouwer *bouwster *maker *maakster
  chef *chef direktor direktorin verkstallande vd agare *agare innehavare *ansvarig *ansvarlig *ledare *leder leder sekreterare ingenjor *ingenjor
  saljare *saljare inkopare *tekniker tekniker radgivare *radgivare jurist advokat lakare tandlakare veterinar ekonom *ekonom revisor konsult *konsult *konsulent
  handlaggare samordnare *samordnare koordinator *mastare mastare snickare smed bagare bryggare tradgardsmastare partner
  direktør adm ejer indehaver indehaver saelger *saelger indkober *indkober sekretaer radgiver *radgiver konsulent vaerkforer *forer formand
  *mester mester tomrermester laege dyrlaege smedemester revisor *ingenior ingenior bogholder medindehaver
  daglig eier medeier hotelleier gardeier huseier eneeier butikkeier bateier selger *selger innkjoper *innkjoper radgiver styreleder avdelingsleder prosjektleder *arkitekt arkitekt lege saksbehandler
  toimitusjohtaja *johtaja johtaja paallikko *paallikko myyja *myyja insinoori *insinoori asiantuntija *asiantuntija omistaja osakas sihteeri *hoitaja
  *suunnittelija suunnittelija *mestari mestari *asentaja ostaja *ostaja yrittaja laakari elainlaakari koordinaattori konsultti
  prezes wiceprezes dyrektor dyrektorka kierownik kierowniczka specjalista specjalistka wlasciciel wlascicielka wspolnik przedstawiciel
  przedstawicielka inzynier doradca asystent asystentka ksiegowy ksiegowa radca adwokat architekt lekarz projektant menedzer mistrz
  handlowiec koordynator koordynatorka zastepca glowny
  *leitung leitung guide* *beheerder *beheerster apoderado apoderada *laerer *larare *kasvattaja *opettaja sommelierka harbourmaster master sindico sindica
  liutaio liutaia *instruktor instruktor instructeur instructrice moniteur monitrice
  realtor governor trustee chaplain pastor rector bursar chiropractor osteopath podiatrist audiologist dietitian nutritionist counsellor counselor
  coach stylist barber beautician hairdresser farrier plasterer bricklayer tiler locksmith watchmaker clockmaker engraver illustrator animator
  copywriter composer videographer webmaster merchandiser fishmonger confectioner chocolatier barista caterer arborist horticulturist agronomist
  beekeeper breeder actuary underwriter adjuster assessor appraiser auctioneer conveyancer mediator arbitrator investigator mayor councillor
  ambassador consul statistician mathematician ecologist botanist archaeologist historian metallurgist cartographer draughtsman draftsman toolmaker
  forwarder expediter diver
  psycholog* *therapeut *therapeutin heilpraktiker* hebamme logopad* *optiker *optikerin friseur* fotograf* grafiker* redakteur* ubersetzer*
  dolmetscher* gutachter* sachverstandige* hausmeister pfarrer* dekan* rektor* kurator* intendant* archivar* bibliothekar* forster* landwirt*
  *wirt *wirtin steinmetz* maurer* polier schlosser* lackierer* sattler* polsterer* drechsler* buchbinder* uhrmacher* juwelier*
  commissaire commissaire-priseur huissier expert-comptable kinesitherapeute osteopathe orthophoniste infirmier infirmiere sage-femme opticien
  opticienne photographe graphiste journaliste traducteur traductrice interprete decorateur decoratrice fleuriste coiffeur coiffeuse traiteur
  cuisinier cuisiniere restaurateur restauratrice hotelier hoteliere maraicher maraichere eleveur eleveuse meunier tonnelier ferronnier serrurier
  macon carreleur peintre chauffagiste tapissier relieur horloger joaillier bijoutier conservateur conservatrice bibliothecaire archiviste
  professeur enseignant enseignante chercheur chercheuse doyen proviseur educateur educatrice animateur animatrice courtier courtiere negociant
  negociante geometre geometre-expert metreur dessinateur dessinatrice
  perito perita psicologo psicologa fisioterapeuta odontologo dentista enfermero enfermera matrona logopeda optico fotografo fotografa disenador
  disenadora periodista traductor traductora peluquero peluquera cocinero cocinera ganadero cerrajero albanil soldador mecanico tapicero relojero
  joyero bibliotecario catedratico catedratica investigador investigadora decano educador educadora corredor tasador topografo delineante
  aparejador procurador notario registrador interventor tesorero concejal alcalde alcaldesa
  enfermeiro enfermeira jornalista tradutor tradutora cabeleireiro cozinheiro cozinheira serralheiro pedreiro relojoeiro joalheiro professora
  pesquisador pesquisadora reitor reitora corretor corretora avaliador desenhista tabeliao solicitador solicitadora tesoureiro vereador prefeito
  fisioterapista odontoiatra infermiere infermiera ostetrica logopedista ottico giornalista traduttore traduttrice arredatore arredatrice fioraio
  parrucchiere cuoco cuoca ristoratore ristoratrice albergatore allevatore fabbro muratore saldatore meccanico tappezziere orologiaio orafo
  gioielliere bibliotecaria professore professoressa docente ricercatore ricercatrice rettore preside educatore mediatore notaio sindaco
  assessore revisore curatore curatrice
  psycholoog fysiotherapeut tandarts verpleegkundige verloskundige fotograaf vormgever vertaler tolk bloemist kapper kok landbouwer imker
  metselaar lasser *monteur stoffeerder horlogemaker bibliothecaris docent hoogleraar onderzoeker decaan *makelaar taxateur landmeter tekenaar
  notaris deurwaarder wethouder burgemeester penningmeester secretaris voorzitter
  psykolog sjukgymnast fysioterapeut sjukskoterska sygeplejerske sykepleier barnmorska jordmor jordemoder optiker oversaetter oversetter
  frisor lantbrukare landmand murare murer svetsare mekaniker konservator bibliotekarie larare laerer lektor forskare forsker *maklare
  *megler maegler vardering* lantmatare kassor ordforande styrelseordforande borgmastare
  psykologi fysioterapeutti hammaslaakari sairaanhoitaja katilo optikko valokuvaaja toimittaja kaantaja tulkki kampaaja kokki maanviljelija
  muurari hitsaaja mekaanikko kelloseppa kultaseppa opettaja lehtori tutkija rehtori *valittaja kirjanpitaja puheenjohtaja
  rzeczoznawca fizjoterapeuta stomatolog pielegniarka polozna optyk grafik dziennikarz tlumacz tlumaczka fryzjer kucharz rolnik pszczelarz
  spawacz mechanik tapicer zegarmistrz jubiler konserwator bibliotekarz nauczyciel nauczycielka wykladowca profesor dziekan posrednik geodeta
  kosztorysant notariusz komornik radny burmistrz skarbnik sekretarz przewodniczacy
  reditel reditelka jednatel jednatelka vedouci zastupce manazer manazerka ucetni mistr majitel majitelka stavbyvedouci
  riaditel riaditelka konatel konatelka veduci zastupca uctovnik majster igazgato *igazgato ugyvezeto *vezeto *ertekesito mernok
  administrator inginer consilier reprezentant framkvæmdastjori *stjori forstjori stiurthoir bainisteoir *voditelj direktorica
  schrijnwerker elektricien plombier electricien boulanger boulangere patissier brasseur paysagiste jardinier jardiniere
  elektriker elektrikerin installateur dachdecker maler fliesenleger imker winzer winzerin konditor konditorin florist floristin optiker
  *culteur *cultrice *cultor *cultora *zuchter *zuchterin *raadgever seniorradgiver
  carpintero fontanero electricista panadero pastelera pastelero jardinero agricultor carpinteiro eletricista padeiro pasteleiro
  falegname idraulico elettricista panettiere pasticcere giardiniere viticoltore restaurator schilder hovenier elektromonteur
  contractor fabricator magistrate bailiff headteacher vicar imam rabbi orthodontist cardiologist dermatologist psychotherapist groomer gamekeeper
  landscaper scheduler cobbler choreographer roaster bartender boatbuilder navigator tester cofounder chairperson concierge housekeeper liaison
  facilitator negotiator detective sheriff alderman landlord caretaker cleaner lifeguard thatcher scaffolder silversmith typographer undertaker
  embalmer celebrant entertainer masseur masseuse
  *assistenz assistenz wirtschaftsprufer* *mechaniker *mechanikerin kosmetikerin *akustiker *akustikerin *padagoge *padagogin erzieher erzieherin
  *professorin wissenschaftler* forscher* laborant* chemiker* biologe biologin informatiker* lektorin organist organistin dirigent* dramaturg*
  regisseur* schauspieler* buhnenbildner* restaurator* schneiderin schuhmacher topferin kapitan logistiker* bilanzbuchhalter* kammerer stadtrat stadtratin
  dezernent* diakonin prasident prasidentin *sprecher *sprecherin *trainerin moderator moderatorin konstrukteur* vermesser* statiker* landschaftsgartner* ziergartner*
  *lehrer *lehrerin klempner* schweisser* bodenleger revierforster* stadtforster*
  urbaniste juriste auditeur auditrice fiscaliste institutrice doctorante chirurgien chirurgienne psychiatre audioprothesiste patissiere charcutier
  soudeur garagiste carrossier illustratrice videaste editeur editrice libraire bijoutiere couturiere cordonnier maroquinier ceramiste estheticienne
  entraineur capitaine pilote magasinier magasiniere logisticien logisticienne transporteur exploitant exploitante chauffeur tresorier tresoriere maire
  mediateur mediatrice negociateur negociatrice
  odontologa podologo podologa sumiller ebanista ilustrador ilustradora redactora librera librero archivera archivero conservadora restauradora
  esteticista entrenador entrenadora capitan transportista concejala economista administrativo administrativa doctora patrona
  venditore venditrice insegnante chirurgo osteopata psicoterapeuta fornaio agricoltore agricoltrice apicoltore apicoltrice fiorista vivaista
  carrozziere imbianchino tipografo redattore redattrice editore libraio libraia archivista calzolaio ceramista parrucchiera estetista istruttore istruttrice
  allenatore allenatrice capitano autotrasportatore magazziniere
  eigenaresse *leider belastingadviseur calculator uitvoerder ambtenaar leraar lerares huisarts banketbakker veehouder tuinman dakdekker stukadoor
  drukker uitgever boekhandelaar goudsmid pottenbakker schoonheidsspecialiste secretaresse receptioniste *begeleider begeleider *assistente *adviseur
  konstruktor *konstruktor apotekare kock rormokare malare tryckare redaktor forlaggare intendent guldsmed urmakare skraddare skomakare keramiker tranare
  skeppare kapten chauffor grundare tandlaege farmaceut bager slagter snedker blikkenslager trykker bibliotekar urmager skraedder skomager kaptajn
  vognmand tannlege veterinaer kokk gardbruker snekker rorlegger arkkitehti asianajaja tilintarkastaja apteekkari leipuri puutarhuri kirvesmies puuseppa
  putkimies maalari raatali suutari opas valmentaja kippari
  konsultant konsultantka technolog rewident ekonomista farmaceuta farmaceutka weterynarz piekarz cukiernik piwowar ogrodnik florystka stolarz ciesla
  hydraulik elektryk slusarz redaktor redaktorka wydawca kustosz zlotnik krawcowa ceramik fryzjerka kosmetyczka przewodnik trener trenerka kierowca spedytor
  magazynier wojt prokurent
  contabilista assistente nutricionista pasteleira pecuarista marceneiro encanador canalizador redatora redator livreira livreiro arquivista
  florista jardineiro conservador dentiste oversattare murarz physiker*
  sapateiro cabeleireira instrutor instrutora treinador treinadora capitao motorista despachante urbanista
`);

/** Words that qualify a title and do not make one on their own. */
export const titleModifiers = wordList(`
  senior junior deputy acting regional national international global general managing executive technical commercial
  chartered certified registered licensed qualified key area district territory group branch site plant
  sales marketing purchasing procurement operations production project product quality logistics fleet warehouse export import
  human resources hr finance financial research development business customer client service services support account accounts
  safety health environment environmental maintenance facilities legal compliance communications office workshop
  stained master chief lead staff clinical veterinary cold chain dispatch supply
  und fur im vertrieb einkauf produktion technik *technik stellvertretende* stv
  des de du commercial commerciale general generale technique achats ventes
  ventas compras produccion comercial vendas compras producao
  commerciale acquisti vendite produzione generale tecnico officina turno
  verkstallande administrerende salgs daglig generaal commercieel technisch
`);

/** Words that join two lines into one title when the first ends with one of them. */
export const titleJoiners = wordList(`
  to the of for and & und fur der die des im de du la le les et pour of en y para e di del della dei per och for og til ja van het voor w ds i a do da &
`);

/** Words that speak to somebody, as slogans do and positions do not. */
export const sloganWords = wordList(`
  we our us you your it its that what when where every always never more better best make makes making made from with without than
  wir unser unsere unseren ihr ihre ihren sie ist sind wenn wo was wie immer mehr besser mit aus
  nous notre nos vous votre vos est sont quand avec sans plus mieux toujours
  nosotros nuestro nuestra nuestros tu su sus es son cuando con sin mejor siempre nos nosso nossa seu sua com sem melhor sempre
  noi nostro nostra vostro vostra tuo tua sono quando con senza meglio sempre
  wij onze ons uw jouw jullie is zijn altijd met zonder beter meer
  vi var vart vara din ditt dina er med uten utan bedre battre altid alltid alltid mer
  me meidan sinun sinulle aina ilman enemman my nasz nasza nasze twoj twoja twoje zawsze bez wiecej lepiej
`);

/** How words for somebody who does something end in English, where the table does not know them. */
export const agentEndings = /\p{L}{2}(?:[bcdfgklmnpstvz](?:er|or)|ist|monger|wright|smith|keeper)$/iu;
