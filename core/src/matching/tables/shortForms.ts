/**
 * Short and familiar forms of given names with the names they stand for, folded; one form a line. Put together by hand from
 * everyday use in the countries cards are expected from. A form may stand for several names, and a name may be its own form
 * elsewhere ("Alex" is also a full name): two names go together when they are equal or one is, or both are, short for the same.
 */
const TABLE = `
abby abigail
abe abraham
ad adrian adriaan
addy adelaide adeline
adi adolf adelheid
afonso alfonso
aggie agnes agatha
aleks aleksander aleksandra
alessio alessandro
alex alexander alexandra alexandre alexis alejandro alejandra alessandro aleksander aleksandra alexandros
alexa alexandra
alf alfred alfonso
alfie alfred
ali alison alistair
al albert alan alfred alexander alfonso
allie alison alice
anders andreas
andi andreas andrea
andy andrew andreas anders
ange angela angelina
angie angela angelina
ania anna
anja anna
anke anna
annie ann anna anne
anni anna anne annemarie
antek antoni
antje anna
anton antonius antonio anthony
ant anthony
archie archibald
arni arnold
art arthur
asia joanna
aurel aurelia aurelio
babs barbara
barb barbara
barbie barbara
barney barnaby bernard
bart bartholomew bartholomaus bartosz bartlomiej
bartek bartosz bartlomiej
basia barbara
bas sebastiaan sebastian
bastian sebastian
bea beatrice beatrix beatriz
becca rebecca
becky rebecca
bella isabella arabella
ben benjamin benedict benedikt benoit bernard bernhard
benni benjamin
benny benjamin benedict
benno benjamin bernhard
bep elisabeth
berni bernhard bernard
bernie bernard bernadette bernhard
bert albert robert herbert hubert bertram norbert
bertie albert herbert
bess elizabeth
bet elizabeth
beth elizabeth bethany
betsy elizabeth
betty elizabeth
bettina elisabeth
betti elisabeth bettina
bill william
billy william
bob robert
bobby robert
bogdan bohdan
brad bradley bradford
bram abraham
bridie bridget
britt brigitte birgitta
britta brigitte birgitta
caro carolin caroline carolina
carrie caroline
carol caroline
cas casper kasper
cath catherine
cathy catherine
cat catherine
cecile cecilia
charlie charles charlotte
chas charles
chaz charles
chico francisco
chris christopher christian christine christina christoph christophe cristina christiane kristian
chrissie christine christina
chuck charles
cindy cynthia lucinda
claus nikolaus niklaus
cilla priscilla
clem clement clementine
coby jacoba jacob
colette nicolette
con cornelius conrad
connie constance cornelia conrad
conni cornelia constanze
conny cornelia cornelius
coos jacobus
corrie cornelia
cor cornelis
cris cristina cristian
curt kurt conrad
dan daniel
dani daniel daniela
danny daniel
dave david
davy david
deb deborah
debbie deborah
debby deborah
dee deirdre deanna
des desmond
dick richard
didi dieter dietrich
diego santiago
dieter dietrich
dirk dietrich
dolly dorothy dorothea
don donald
donny donald
doro dorothea dorothee
dot dorothy
dottie dorothy
doug douglas
drew andrew
ed edward edmund edgar edwin eduard
eddie edward edmund edgar edwin eduard
eddy edward eduard
edi eduard
ela elzbieta elisabeth gabriela
eli elias elizabeth elisha
elke adelheid
ella eleonore elisabeth gabriella
ellie eleanor ellen elizabeth
elli elisabeth elena
elly elisabeth eleonora
elsa elisabeth
else elisabeth
els elisabeth
emil emilian
ernie ernest ernst
ernesto ernst
ewa eva
fanny frances francisca
fede federico federica
fee felicitas
ferdi ferdinand
ferdy ferdinand
fergie fergus ferguson
fery ferdinand
fina josefina
flo florence florian
flor florencia
fons alfonso alphonsus
fran frances francis francesca francisco
francie frances
frank francis franz francesco franciscus
frankie frank francis frances
franco francesco
franek franciszek
franz franziskus
franzi franziska
fred frederick alfred frederic frederik friedrich manfred
freddie frederick frederic alfred
freddy frederick alfred frederik manfred
fritz friedrich
frits frederik
gabi gabriele gabriela gabrielle
gabe gabriel
gaby gabriele gabriela gabrielle
gail abigail
gary gareth
gene eugene
geoff geoffrey
george georgios jorge georg
georgie george georgina
gerd gerhard gerhardt
gerda gertrud
gerry gerald gerard geraldine
gert gerhard gertrud
gerrit gerhard
gianni giovanni
gigi luigi
gil gilbert
ginny virginia
gina georgina regina luigina
gino luigi
gisi gisela
giusi giuseppina
gonzo gonzalo
gosia malgorzata
greg gregory gregor grzegorz
greta margareta margarete margarethe
grete margarete margarethe
gretchen margarete
gus augustus angus gustav
gust august gustav
gusti augusta auguste
gwen gwendolyn
hal harold henry
han johannes
hanka hanna johanna
hanne johanna johanne
hannes johannes
hanni johanna hannelore
hans johann johannes
hansi johann johannes
harry harold henry harald
hattie harriet
hein heinrich hendrik
heini heinrich
heinz heinrich
heiner heinrich
helmi helmut
henk hendrik henricus
hennie hendrik hendrika
henny henriette
henri hendrik
heri heribert
hetty henrietta hester
hilde hildegard mathilde
hub hubert hubertus
iggy ignatius
ike isaac
ilse elisabeth
ina katharina christina wilhelmina regina
inge ingeborg ingrid
inga ingeborg
ineke ina
irka irena
iza izabela
izzy isabel isabella isabelle isadora
ibby isabel elizabeth
jack john jackson jacob jacques
jackie jacqueline
jacky jacqueline
jacek jacenty
jadzia jadwiga
jake jacob jakob
jaap jacob jakob
jan johannes johan
jami james benjamin
jamie james
jane johanna janet
janek jan
jannie johanna
janni johannes
jannik jan johannes
janne johannes
jaume jaime
jeff jeffrey geoffrey
jem jeremy jemima
jen jennifer
jenny jennifer johanna
jens johannes
jerry gerald jeremy jerome gerard jeremiah
jess jessica
jessie jessica
jim james
jimmy james
jo joanna josephine joanne joseph johanna
joan johanna
joaozinho joao
jochen joachim
jock john
joe joseph josef
joey joseph
joek johannes
johnny john jonathan
jon jonathan john
jonny jonathan
joop johannes joseph
joos josephus
joost justus josse
jorg georg
jorn jorgen georg
jos joseph jozef johannes
josie josephine
joschi josef
josch josef joschka
josh joshua
jossi josef
juan john
jula julia julianna
jules julian julius julia
juli julia julian
julie julia juliana
jupp josef
jurek jerzy
jurgen georg
kaja karin katarzyna
kalle karl
karel karl carolus
karli karl
kari katarina
kasia katarzyna
kat katherine katharina kathleen
kate katherine catherine kathleen
kath katherine kathleen
kathi katharina katherine kathrin
kathy katherine kathleen
katja katharina jekaterina
katie katherine catherine
katrin katharina
katy katherine
kay katherine
kees cornelis
ken kenneth
kenny kenneth
kim kimberly kimberley
kit christopher katherine
kitty katherine catherine
klaas nikolaas nicolaas
klaus nikolaus
kostek konstanty
kris kristian kristina kristoffer christopher krzysztof
krysia krystyna
krystian christian
kuba jakub
kurt konrad
lalo eduardo gonzalo
larry lawrence laurence
lars laurentius
lasse lars
laurie laurence lawrence laura
leen leendert helena
len leonard
lena helena magdalena
leni helene magdalena
lenny leonard lennart
leo leonard leopold leonardo leonhard
leon leonhard
leszek lech
les leslie lester
lettie letitia
lexi alexandra
lex alexander
lia julia
libby elizabeth
lida lidia
lies elisabeth
lieschen elisabeth
liesel elisabeth
lieske elisabeth
liese elisabeth
lili elisabeth
lil lillian
lilly elisabeth lillian
lina karolina carolina
lisa elisabeth elizabeth
lisbeth elisabeth
lis elisabeth
liz elizabeth
lizzie elizabeth
lizzy elizabeth
lola dolores
lolo lorenzo
lore eleonore hannelore
lori lorraine loretta
lou louis louise ludwig lucas
lotte charlotte liselotte
lottie charlotte
loek lucas
luc lucas lucien
lucho luis
luca lucas
lucy lucia lucille
luis ludwig
luke lucas
lulu luise louise
lupe guadalupe
lutz ludwig
lynn linda
maciek maciej
madde madeleine
maddie madeleine madeline
madge margaret
maggie margaret magdalena
magda magdalena
maike maria
maja maria
mal malcolm
mandy amanda
manda amanda
mani manfred manuel
manni manfred
manny emanuel manuel
manolo manuel
manu manuel manuela emmanuel emmanuelle
marc marcus
marcin martin
marek marcus
marga margarita margarete
marge margaret margery
margie margaret
margit margarete
margot margarete margaret
margret margarete margaret
margrit margarete
mari maria
marie maria
marieke maria
marietje maria
marijke maria
marion maria
mario marius
mark marcus markus
marlies marie-luise
marta martha
martje martha
mart martin maarten
marty martin
marti martin
mary maria
maryla maria
mat matthew mathias matthias
mathilde mechthild
mats matthias
matt matthew matthias
matty matthew
matti matthias
matze matthias
maud mathilde matilda
max maximilian maxwell maxim maximiliano maxime maximilien
maxi maximilian maximiliane
may mary margaret
meg margaret megan
meggie margaret
mel melanie melissa melvin
meret margarete
mia maria
michi michael michaela
michal michael
michel michael
mick michael
mickey michael
micky michael
miek maria
mieke maria
mies maria
mike michael
mikey michael
mikolaj nicholas
milly millicent mildred emily
millie millicent mildred emily
mimi maria
mina wilhelmina hermina
mini wilhelmina
minnie wilhelmina mary
mindy melinda
miri miriam
misia michalina maria
mitch mitchell michael
mo maureen mohammed maurice
moe moses
molly mary margaret
mona simona ramona
mort mortimer morton
nacho ignacio
nan anne nancy
nancy anne
nando fernando ferdinand
nat nathaniel nathan natalie
nate nathan nathaniel
ned edward edmund
nel petronella cornelia
nell eleanor helen ellen
nella antonella eleonora
nellie eleanor helen petronella
nic nicholas nicola dominic
niccolo nicola
nick nicholas nicola nikolaus nicolas nicolaas
nicki nicole nicola
nicky nicholas nicola nicole
nico nicolas nicolaas nikolaus nicola
nicol nicole
niek nicolaas
niels nicolaus
nik nikolaus nikolas
niklas nikolaus
niko nikolaus nikolas nikolai
nils nikolaus
nina antonina
nora eleonora eleanor
norm norman
nuria maria
ola aleksandra
ole olaf
olek aleksander
oli oliver
olli oliver oskari
ollie oliver olivia
olly oliver
ossi oskar oswald
oz oswald osman
paco francisco
paddy patrick
pam pamela
pancho francisco
paolo paulus
pat patrick patricia
patsy patricia
patti patricia
patty patricia martha
paula paulina
paulie paul
pavel paul
pawel paul
pedro peter
peg margaret
peggy margaret
pen penelope
penny penelope
pepa josefa
pepe jose
pepi josef
per peter peder
pete peter
petey peter
petra petronella
phil philip philippa phillip philippe
philo philomena
pia maria
piet pieter peter petrus
pierre peter
pim willem
pip philip philippa
pippa philippa
pola apolonia paulina
poldi leopold
polly mary pauline
pru prudence
quim joaquim
quique enrique
rafa rafael
rafe ralph raphael
ralf rudolf radulf
randy randall randolph
raf rafael raphael
ray raymond
reg reginald
reggie reginald
rei rainer reinhard
reini reinhard reinhold
rene renatus
rich richard
richie richard
rick richard frederick eric
ricky richard
rico riccardo ricardo heinrich enrico
rik hendrik rikard
rita margarita margherita
ritchie richard
rob robert
robbie robert
robby robert
robin robert
rod roderick rodney
rolf rudolf
roger rudiger
ron ronald
ronnie ronald veronica
ronny ronald
ros rosalind rosamund
rosie rose rosemary rosalind
roser rosario
rosi rosemarie rosa
roz rosalind
rudi rudolf
rudy rudolf rudolph
rupert robert
russ russell
sabi sabine sabrina
sally sarah
sal salvatore sally
sam samuel samantha
sami samuel
sammy samuel samantha
sandi sandra
sandy alexander alexandra sandra
sandra alexandra alessandra
sandro alessandro
sanne susanna
sascha alexander
sasha alexander alexandra
sash alexander
seb sebastian
sebi sebastian
sepp josef
seppi josef
severin severinus
shelley michelle rachel
si simon
sid sidney
sieg siegfried
siggi siegfried sigrid sigmund
sigi siegfried
silke cacilie
simone simona
sina ursina rosina
sjaak jacques isaac
sjef josef
sjors georg george
sofie sophia sofia
sonja sophia sofia
sophie sophia
staffan stefan
staszek stanislaw
stan stanley stanislaw
steef stefan
stef stefan stefanie stephan stephanie
steffen stefan
steffi stefanie stephanie
steph stephanie stephen stephane
steve stephen steven stefan
stevie stephen steven
stew stewart
stu stuart
sue susan susanna suzanne
susa susanna
susi susanne susanna
susie susan susanna suzanne
suse susanne
suzy suzanne susan
svenja svenja
szymek szymon
tab tabitha
tadek tadeusz
tam thomas tamara
tammy tamara tamsin
tasha natasha
tea theodora dorothea
ted edward theodore edmund
teddy edward theodore
tel terence
terry terence teresa theresa
tess teresa theresa tessa
tessa teresa theresa
theo theodor theodore theodorus matthew
thies matthias
tibby isabel
tiff tiffany
tijs matthijs
tilda matilda mathilde
till tilman
tilly matilda mathilde ottilie
tim timothy timotheus timo
timmy timothy
tina christina martina bettina kristina valentina
tini christine
tine christine martina
tita margarita
tito alberto roberto
tobi tobias
toby tobias
tom thomas tomas
tomek tomasz
tommy thomas tomas
toni anton antonia antonio
tonio antonio
tony anthony antony antonio anton antoine
toon antonius
torben torbjorn
tracy theresa
tricia patricia
trish patricia
trixi beatrix
trixie beatrix beatrice
trudi gertrud
trudy gertrude
tyna martyna
uli ulrich ulrike
ulla ursula ulrika
ulli ulrich
ursel ursula
uschi ursula
ute uta
utz ulrich
val valerie valentine valentina
vali valentin
vanni giovanni
vera veronika
veri verena
vero veronica veronika
vic victor victoria
vicki victoria
vicky victoria
viki viktoria
vince vincent
vinny vincent
vito vittorio
viv vivian vivienne
volkmar volker
vroni veronika
wally walter wallace walburga
walt walter
wanda wendelin
wendel wendelin
wes wesley
wies aloysia
wiktor victor
wil wilhelmina willem wilhelm
wilf wilfred wilfried
wilfried wilfred
will william wilhelm
willi wilhelm
willie william wilhelm
willy wilhelm willem william
wim willem wilhelm
win winifred winston edwin
winnie winifred
wiola wioletta
wojtek wojciech
wolf wolfgang wolfram
wolfi wolfgang
woody woodrow
wout wouter
xandi alexander
xandra alexandra
xaver franz-xaver
xavi xavier
yasmin jasmin
yola yolanda
zach zachary
zack zachary
zanna susanna
zbyszek zbigniew
zenek zenon
zita felicitas
zosia zofia
zuza zuzanna
`;

const standsFor = new Map(
  TABLE.trim()
    .split('\n')
    .map((line) => {
      const [short = '', ...names] = line.split(' ');
      return [short, names] as const;
    }),
);

/** The names that a folded given name may be short for; none for a name that stands for itself only. */
export const fullForms = (given: string): readonly string[] => standsFor.get(given) ?? [];

/** Whether one of two folded given names is a familiar form of the other, or both are of a third. */
export function isShortForm(a: string, b: string): boolean {
  const ofA = fullForms(a);
  const ofB = fullForms(b);
  return ofA.includes(b) || ofB.includes(a) || ofA.some((name) => ofB.includes(name));
}
