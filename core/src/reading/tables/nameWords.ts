import { wordList } from './wordList';

/** Forms of address and academic degrees printed before a name. Compared without dots. */
export const namePrefixes = wordList(`
  mr mrs ms miss mx sir dame lord lady dr prof professor rev fr capt cpt col maj sgt lt hon
  herr frau dipl-ing dipling dipl-kfm dipl-kffr dipl-wirt-ing dipl-oec dipl-inf dipl-phys dipl-chem dipl-des dipl-ökonom ing mag di dkfm habil ra rain drs ir mr ddr pd
  med vet jur rer nat phil oec techn
  m mme mlle me pr sr sra srta d dña don dona lic arq ing eng enga engo engª engº dra sr(a) prof
  sig sig.ra sigra dott dottssa dott.ssa avv arch rag geom cav on ing
  mgr inz dr hab hr fru fr pani pan dhr mevr mw hr. civing lektor
`);

/** Prefixes that may also be a first name or an initial; only a prefix with a dot or before two more names. */
export const ambiguousPrefixes = wordList(`me m d don di fr on pan pr maj col ra ms`);

/** Letters after a name: degrees, chartered titles, memberships. Compared without dots. */
export const credentials = wordList(`
  phd dphil edd mba emba msc bsc ba ma mphil meng beng llb llm jd md do dds dmd dvm mrcvs bvsc bvms vmd rn np pa-c msn bsn crna fnp dnp cnp
  cpa ca acca fcca aca fca cma acma fcma cgma cfa cfp cia cisa cissp cism pmp pmi-acp capm csm prince2 itil togaf
  pe p.eng peng ceng ieng cphys csci cchem cenv csp cih chmm leedap leed~ap aia faia riba ria ribas arb frics mrics frtpi mrtpi
  fcips mcips cips fcipd mcipd mciob fciob mimeche miet fiet mice fice mistructe
  esq qc kc sc obe mbe cbe ret phr sphr shrm-cp shrm-scp cscp cpim cpsm six~sigma lssbb cmilt fcilt mcilt
  mbbs frcs mrcs frcp mrcp facs fasn faap rdn ld otr ot slp lcsw lmft lpc mft
  ms bs aas bcom mcom bcomm bfa mfa mls mph mpa msw bed med dba dsc dlit bds pgdip hnd dipl-ing msc(eng) bsc(hons) ba(hons) hons
  realtor gri crs abr cre ccim cpm
  m.a. b.a. jr sr ii iii iv
`);

/** Small words inside family names, kept in lower case. */
export const nameParticles = wordList(`
  von vom zu zum zur der den dem van ten ter te de del della dello dei degli di da das do dos du des la le les lo af av el al bin ibn y e und 't op in
`);

/** Common given names of the countries cards are expected from; open lists of statistical offices, abridged. */
export const givenNames = wordList(`
  aaron abigail adam adele adrian agnes agata agnieszka aidan aino aisha alan alba albert alberto alejandra alejandro alessandra alessandro alex alexander alexandra alexandre alfonso alfred alice alicia alina alison alistair amalia amanda amelia amelie amy ana anders andre andrea andreas andrei andres andrew andrzej angela angelika angelo anita anja anke ann anna anne annette annika anouk anthony antje antoine anton antonia antonio arnaud arne arthur arturo astrid audrey aurelie axel
  barbara bart bartosz beata beatrice beatriz ben benedikt benjamin benoit bernard bernd bert bettina bianca birgit bjarne bjorn boris brenda brian brigitte britta bruce bruno bryan
  camilla camille carina carl carla carlo carlos carmen carol carola carolina caroline carsten caterina catherine cecilia celine charles charlie charlotte chiara chris christa christian christiane christina christine christoph christophe christopher claire clara claudia claudio clemens colin connor conor corinna cristina
  daniel daniela daniele david dawid deborah deirdre denis denise dennis derek detlef diana diane didier diego dieter dirk dominik dominique donald donna dora doris dorota dorothea douglas dylan
  eamon edith eduard eduardo edward eero eileen eileen elaine elena eleonora eli elias elin elisa elisabeth elise elizabeth ella ellen elsa elvira emil emilia emilie emily emma emmanuel enrico eric erica erik erika ernst esther eugene eva evelyn ewa
  fabian fabio fabrice federico felicia felix fernanda fernando filip finn fiona flora florian frances francesca francesco francis francisco franck francois francoise frank franz fred freddie frederic frederik frida friedrich fritz
  gabriel gabriela gabriele gareth gary gemma geoffrey georg george georgina gerald gerard gerhard giacomo gianluca gilbert giles gillian giorgia giorgio giovanna giovanni gisela giulia giuseppe glen gloria gonzalo gordon graham greg gregor gregory greta guido guillaume gunnar gunter gustav guy
  hakan hanna hannah hanne hannes hans harald harriet harry heather hector heidi heike heiko heinrich heinz helen helena helene helga helmut hendrik henk henning henri henrik henry herbert hermann hilde holger horst howard hubert hugh hugo
  ian ida ignacio igor ilona imogen ines inga inge ingo ingrid irene iris irina isabel isabella isabelle ivan ivo
  jack jacob jacqueline jaime jakob james jan jana jane janet janine jarek jaroslaw jason javier jean jeanette jeffrey jennifer jenny jens jeremy jeroen jerome jessica jill jim jo joachim joan joana joanna joao joaquin jochen joe joel johan johann johanna johannes john jon jonas jonathan joost jordan jorg jorge jorgen jose josef joseph joseph josephine joyce juan juha juhani judith julia julian juliane julie julien jurgen justin justyna
  kaisa kamil karen karin karl karl-heinz karla karolina karsten kasper katarina katarzyna kate katharina katherine kathleen kathrin katja katrin keith kelly ken kenneth kerstin kevin kim kirsten kirsty kjell klaas klaus konrad krzysztof kristin kristina kurt kyle
  lars laura laurence laurent lauri lea leah lee leif lena lennart leo leon leonard leonardo leonie leslie lewis liam lidia lieke linda lisa lise liv liz lorenzo loretta lothar louis louisa louise luca lucas lucia lucie lucy ludwig luigi luis luisa lukas lukasz lutz lydia lynn
  maarten maciej madeleine magdalena magnus maja malgorzata manfred manuel manuela marc marcel marcin marco marcos marcus marek margaret margarida margit maria marian marianne marie marina mario marion marius mark markku markus marlene marta martha martin martina mary mateusz mathias mathieu mats matt matteo matthew matthias maureen maurice max maximilian megan melanie melissa mercedes merete michael michaela michal michel michele michelle miguel mika mikael mike mikkel milena miriam mohamed mona monica monika morten murray
  nadia nadine nancy natalia natalie nathalie nathan neil nicholas nick nicola nicolas nicole niels nigel nikolaj nils nina noah noemi nora norbert norman nuno
  olaf ole olga oliver olivia olivier orla oscar oskar otto owen
  pablo pal paola paolo pascal patricia patrick patrik paul paula pauline paulo pawel pedro peggy penelope per pernille peter petra petri philip philipp philippe phoebe pia pierre pieter pilar piotr
  quentin rachel rafael rafal ragnar raimund rainer ralf ralph raphael raquel raul rebecca regina reiner renate renato rene ricardo richard rick rita rob robert roberta roberto robin roger roland rolf roman ronald rosa rosemary ross roy ruben rudolf rui rune rupert ruth ryan
  sabine sally samantha samuel sandra sandro santiago sara sarah sascha saskia scott sean sebastian serena sergio sharon sheila sigrid silke silvia simon simone sofia sofie sonia sonja sophia sophie soren stefan stefania stefanie stefano steffen steinar stella stephan stephanie stephen steve steven stewart stig stuart susan susana susanne suzanne svein sven sylvia sylvie szymon
  tamara tanja tania tara tatiana ted teresa teresa terence tessa theo theodor theresa thierry thomas thorsten tiago till tim timo timothy tina tobias toby tom tomas tomasz tommy toni tony tore torsten tracy trevor tristan
  ulrich ulrike ulf ursula ute uwe valentin valentina valeria valerie vanessa vera verena veronica veronika vicente victor victoria vincent vincenzo viola violet virginia vittorio viviane
  wanda walter waltraud wendy werner wilfried wilhelm will willem william wim wojciech wolfgang xavier yann yannick yolanda yves yvonne zbigniew zoe zofia zuzanna
`);
