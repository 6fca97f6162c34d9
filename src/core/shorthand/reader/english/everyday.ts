/**
 * Everyday words, the commonest of the language and those of a workshop's talk: none is a misspelling of a word of the
 * trade, and none the name of a part nobody has named yet. Written down by hand.
 */
export const EVERYDAY: readonly string[] = `
about absolutely across actual add added adds after again against ago agree ahead air all allow almost alone along
already also although always among amount and angle annoying another answer any anyone anything anyway apart appear
apply area around arrives as ask asked at attached away awkward bad badly bag bags bare barely base basically
because become before began behind being belong belongs bench bent beside best better between beyond big bigger
biggest bike blank block blow both bother bottom bought box boxes break breaking breath brief bright bring brings
broad broken brought build built burn bus busy but buy by cabin call called calls came can car care careful
carefully carry cars cause centimetres certain chance change charge cheap check checked checking checks choose chose
circle clean clear clearly cloud cold collect colour colours come coming common compare complete completely concern
confused consider cont contd control copy correct cost could count counted counting course cover covered covers
create cry curve custom damage damaging danger dark day dead deal dealer dear decide deep degrees depend describe
design detail did died difference different difficult direct direction dirt dirty discover does doing done double
doubt drawer dream drew drive drove dry drying due during dust each ear early ease easier easiest easily easy effect
effort either empty ends enough enter entire entirely equal especially even evening event ever every everyone
everything exact exactly example except expect experience explain extra eye eyes fact factory fail fair fall fallen
falls familiar famous far fast fastener fasteners favourite fear feel feels feet fell few field fight figure final
finally find fine finger fingers finish finished first fits five flew floor flow fly focus follow followed following
foot for forgot forth forty found free frees fresh friend from front full fun funny further future general generally
gentle give given gives glad glue go going gone gonna good grab grabbed grabs gradually grand grease great grew grip
ground group grow guessed guide guy had half halves hand hands handy happen happened happens happy hard hardly hate
have having he head heads hear heard heart heat heavy height help helps hence her here heres hers hidden hide hides
him hint his hold hope hoped hot hour how however huge hundred hung hurry idea if imagine immediate immediately
important impossible in include including increase indeed indicate inner inside instead into invisible involve issue
it its itself jams job jobs join joint jump just keen keep kept kill kind kinds knew knock knocked know known knows
lady land large largely largest last lately later latter lay layer leading learn learnt least leave leaves led left
less let lets level life lightly like likely likes limit limited line lines list lives living load local locate
located location locked long look looking looks loose lose loses lost lot lots loud love low lucky mad made main
mainly majority make maker making man manage managed manner many marked mass master match matter maximum may maybe
mean meaning means meant meanwhile measure measured meet mention mess metal might mighty mind mine minor minute miss
missed mistake mix model moment month more morning most mostly motion mouth moved movement moves moving much
multiple must my myself name names narrow nasty naturally near nearby nearly neat necessary neck need needed needs
neither nervous never new next nicely nine no nobody noise none nope nor normal normally not note noted notes
nothing notice noticed number obvious obviously occasionally odd of off offer office often oil old on once only onto
open opens opposite option or order ordered orders organise original other ought our ours ourselves out outer
outside over overall own owner pace page pain paint painted paper part particular particularly partly parts passed
past patient pattern pause pay peace people perfect perfectly perhaps period personally phone pick picked piece
pieces pin place places plain plan plans plastic play please plenty pocket point pointed points poor positions
possible possibly practise prefer prepare present pretend pretty prevent previous price print prior private problem
problems process produce properly protect proud prove provided puller pullers purpose quality question quick quickly
quiet quietly quit quite raise ran range rarely rate rather raw reach reaches read reading reads ready real realise
realised reality realize really reason reasons recently recommend record reduce refer regular related relative relax
remain remains remember remind remove removed removing repair repeat repeated replace replaced replacing report
require required resistance result returns reuse reused revealed reverse rich ride right rip ripped rise risk road
room rotten rough routine row rubber rule run running runs rush rust safe safely said same sat satisfied save saved
saying scared scene science scratch scratching search second secret section see seem seemed seems sees seldom sell
send sent separate separately sequence series serious seriously service several shake shall shape share she sheet
shelf shift shop short shot should shoulder shout show shown shows shut sick side sides sight silly similar
similarly simple simply single sitting situation skill skin skip slight slightly slip slipped slips slow slowly
smaller smart smashes smell smells smile smooth so solid solve some somebody somehow someone something sometimes
somewhat somewhere son soon sore sort sorts sound sounds spare spares speak special specific speed spend spent spot
spotted sprang spread square squeak staff stage standard stands stare start state stated statement stayed step steps
stick sticker sticks still stock stood stop stops storage store story straightforward strange strength strong
stronger strongly struggle struggled stuck stuff stupid style subject success such sudden suddenly suggest suit
suitable supply support supposed sure surely surface surprise surprised suspect swap swear sweet switch system table
take taken taking talk talking tall target task taught teach team tell ten tend tends term terrible than thank
thanks that their theirs them themselves then there therefore these they thick thin thing things think thinking
third thirty this those though thought thousand three threw through throughout throw thrown thumb thus tie tied
tight time times tiny tired title to today together tone too took tool tools torch torque total totally touched
tough toward track train trained travel treat trick tricky tried tries trip trouble truck true trust truth try
trying twelve twenty twice type types typical typically ugly under understand understood unless unlike unlikely
until up upon upright upset upside us use used useful useless user uses using usual usually van vans varies vast
version versions very via visible visit voice volume waited wake walk wall want wants warm warn warned warning waste
watch watched water way ways we weak weather weight weird well went wet what when whenever where whereas wherever
which whichever while who whoever whole whom whose why wide wild will wind wire wise wish with within without wonder
wondering wood wooden word words work worked working works world worn worried worry worse worst worth would wrap
wrapped write written wrong wrote year years yes yesterday yet you young your yours yourself
`
  .trim()
  .split(/\s+/)
