/*
 * The line: what an assistant types. One command per line of text; '#' begins a comment.
 * Words are those of the trade; case does not matter.
 */
grammar Line;

options { caseInsensitive = true; }

line : command? EOF ;

/* How a group is made, and patterns alone. */
asked : selection pattern* EOF ;
laid : pattern EOF ;

/* Values alone, for lights that are pointed out otherwise. */
values : value+ EOF ;

/* Reading aloud: a fixture number and its address, or the slot alone in the universe read last. */
aloud : integer address EOF ;

command
    : patch | add | unpatch | delete | name | place | hang | purpose | noteGroup | note
    | renumber | change | renewProfile | swap | shift | compact | mark | universe | gel | saveVersion | restoreVersion
    | recordGroup | editGroup | moveGroup | copyGroup | freezeGroup | tintGroup | starterGroups | recordPalette | takeOut | tidyPalette | copyPalette | movePalette | narrowPalette | joinPalettes | fillPalette | flipKept | updatePalette | starterPalettes | recordEffect | editEffect | copyEffect | moveEffect | renameEffect | starterEffects | recordLook | recordCue | recordSubmaster | takeOutOfLook | giveInLook | tidyLook | openLook | closeLook | updateLook | setCue | prepareCue | moveCue | copyLook | splitCue | renumberCues | setList | moveKept | play | setMark | markFrom | moveMark | renameMark | realign | setPage | renamePage | tintPalette | notePalette | timePalette | rename
    | send | home | clear | next | previous | whole | invert | recordHighlight | forgetHighlight | highlight | undo | redo
    | choose
    ;

patch : PATCH numbers (AS profile)? landing (AS profile)? (GAP integer)? ALSO? clashing? ;
landing : AT address layout? | ONE TO ONE (AT address)? | AT NEXT GAP (FROM address)? ;
layout : BY (TYPE | POSITION) | OVER integer (UNIVERSE | UNIVERSES) ;
clashing : SHARE | TAKE OVER ;
add : ADD numbers AS profile ;
unpatch : UNPATCH selection ;
delete
    : DELETE GROUP groupRef (PLUS groupRef)*    # deleteGroup
    | DELETE kind paletteRef (PLUS paletteRef)* (AS VALUES)?    # deletePalette
    | DELETE MARK text (AS VALUES)?     # deleteMark
    | DELETE PAGE pageOf text           # deletePage
    | DELETE EFFECT effectRef (PLUS effectRef)* (AS VALUES)?    # deleteEffects
    | DELETE CUE cueRefs ofList?        # deleteCues
    | DELETE LIST listRef               # deleteList
    | DELETE LOOK integer (PLUS integer)*   # deleteLooks
    | DELETE SUBMASTER integer (PLUS integer)*  # deleteSubmasters
    | DELETE selection                  # deleteFixtures
    ;
name : NAME selection text ;
place : PLACE selection AT point (THRU point)? ;
hang : HANG selection (ON text | INVERT inverting+) ;
gel : GEL selection (OFF | XY number COMMA number (AT number PERCENT?)?) ;
inverting : attribute (AND attribute)? OFF? ;
purpose : PURPOSE selection text ;
note : NOTE selection text ;
renumber : RENUMBER selection FROM integer (BY step)? ;
step : MINUS? integer ;
change : CHANGE selection TO profile (AT address)? clashing? ;
/* The library's in place of the one the show holds. */
renewProfile : RENEW PROFILE profile ;
swap : SWAP integer WITH integer ;
shift : SHIFT selection (AT from=address)? (BY step | TO to=address) ;
compact : COMPACT UNIVERSE integer ;
mark : MARK selection (ANSWERED | WRONG | DEAD | NOT TRIED) text? ;
universe : UNIVERSE numberTerm universeChange+ ;
universeChange
    : NAME text                         # universeName
    | (ON | OFF)                        # universeSwitch
    | PRIORITY integer                  # universePriority
    | NUMBER integer (COLON integer COLON integer)?     # universeNumber
    | SYNC (OFF | integer)              # universeSync
    | TO RIG                            # universeToRig
    | TO UNICAST target AS text         # universeUnicast
    | TO MULTICAST target? AS text      # universeMulticast
    | TO ARTNET BROADCAST? target? AS text      # universeArtNet
    ;
target : text ;
saveVersion : SAVE VERSION text ;
restoreVersion : RESTORE VERSION text ;
recordGroup : RECORD GROUP integer? text? (AS RECIPE | TOUCHED)? REPLACE? ;
editGroup : EDIT GROUP groupRef (PLUS joined | MINUS taken)+ ;
moveGroup : MOVE GROUP groupRef TO integer ;
copyGroup : COPY GROUP groupRef TO integer ;
freezeGroup : FREEZE GROUP groupRef ;
tintGroup : TINT GROUP groupRef (PLUS groupRef)* (WORD | OFF) ;
noteGroup : NOTE GROUP groupRef text ;
starterGroups : STARTER GROUPS (text (PLUS text)*)? ;
joined : selectionTerm ;
taken : selectionTerm ;
recordPalette : RECORD kind integer? text? recordOption* ;
recordOption
    : scope
    | WITH kind
    | ONLY attributes
    | WITHOUT attributes
    | CLOSE WHEEL
    | KEEP REFERENCES
    | TOUCHED
    | (KEEP | NEW) COLOUR
    | onto
    | AT MARK text
    ;
attributes : attribute (COMMA attribute)* ;
takeOut : TAKE OUT selection FROM kind paletteRef ;
tidyPalette : TIDY kind paletteRef ;
copyPalette : COPY kind paletteRef TO integer ;
movePalette : MOVE kind paletteRef (PLUS paletteRef)* TO integer ;
tintPalette : TINT kind paletteRef (PLUS paletteRef)* (WORD | OFF) ;
notePalette : NOTE kind paletteRef text ;
narrowPalette : NARROW kind paletteRef PER (TYPE | FIXTURE) ;
joinPalettes : TAKE kind paletteRef INTO kind? paletteRef ;
/* Without a source: what they are given now. A type may be one mode of it. */
fillPalette : FILL kind paletteRef (PLUS paletteRef)* FOR (TYPE text (FROM TYPE text | AT HOME)? | selection) ;
/* The other way over, pointing where they point: wherever that palette is followed, or in those looks alone. */
flipKept : FLIP selection IN (POSITION paletteRef | CUE cueRefs ofList? | LOOK integer | SUBMASTER integer) ;
updatePalette : UPDATE kind paletteRef scope? ;
starterPalettes : STARTER PALETTES ;
recordEffect : RECORD EFFECT integer? text? REPLACE? ;
/* Without a number: what moves the selected. */
editEffect : EDIT EFFECT effectRef? (PART integer)? effectChange+ ;
effectChange
    : ALSO? movements                   # effectMovements
    | OFF                               # effectOut
    | RATE number                       # effectRate
    | offset                            # effectOffset
    | BLOCKS OF integer                 # effectBlocks
    | MIRROR (ON | OFF)?                # effectMirror
    | REVERSE (ON | OFF)?               # effectReverse
    | AT ends                           # effectEnds
    | SIZE number                       # effectSize
    | DUTY number                       # effectDuty
    | SEED integer                      # effectSeed
    | CROSSFADE number                  # effectCrossfade
    | TURNED number                     # effectTurned
    | AROUND (MARK text | OFF)          # effectAround
    | (waveform | figure)               # effectForm
    ;
copyEffect : COPY EFFECT effectRef TO integer ;
moveEffect : MOVE EFFECT effectRef TO integer ;
renameEffect : RENAME EFFECT effectRef text ;
starterEffects : STARTER EFFECTS (text (PLUS text)*)? ;
effectRef : integer | text ;
movements : movement (AND movement)* ;
movement
    : figure OF POSITION shapeOption*   # shaped
    | waveform OF (attribute | kind) (AT ends)? waveOption*     # waved
    | RUN kind paletteRange (PLUS kind? paletteRange)* runOption*     # ran
    ;
paletteRange : paletteRef (THRU paletteRef)? ;
waveform : SINE | TRIANGLE | RAMP | FALL | SQUARE | RANDOM ;
figure : CIRCLE | EIGHT | LINE | SQUARE ;
ends : number THRU number measure? | kind paletteRef THRU kind? paletteRef ;
waveOption : SIZE number | DUTY number | SEED integer | timing ;
shapeOption : SIZE number | TURNED number | AROUND MARK text | timing ;
runOption : CROSSFADE number | timing ;
timing : RATE number | offset ;
offset : OFFSET (ROUND integer? (FROM number)? | number (THRU number)*) (BLOCKS OF integer | MIRROR | REVERSE)* ;
recordLook : RECORD LOOK integer? text? lookOption* ;
recordCue : RECORD CUE cueRef? text? ofList? (lookOption | cueChange)* ;
recordSubmaster : RECORD SUBMASTER integer? text? lookOption* ;
lookOption
    : TOUCHED
    | SELECTED
    | ALL
    | WITH kind
    | ONLY attributes
    | WITHOUT attributes
    | onto
    ;
ofList : OF LIST listRef ;
listRef : integer | text ;
cueRef : INT | DECIMAL ;
cueRange : cueRef (THRU cueRef)? ;
cueRefs : cueRange (PLUS cueRange)* ;
lookRef : CUE cueRef ofList? | LOOK integer | SUBMASTER integer ;
takeOutOfLook : TAKE OUT selection FROM lookRef lookOption* ;
/* Whatever is selected. */
giveInLook : GIVE selection kind paletteRef IN lookRef ;
/* Into: what no palette is near to becomes palettes of its own. */
tidyLook : TIDY lookRef (INTO PALETTES)? ;
openLook : OPENS lookRef ;
closeLook : CLOSE LOOK ;
updateLook : UPDATE lookRef ;
setCue : CUE cueRefs ofList? cueChange+ ;
cueChange
    : (IN | OUT | REST | WAIT) (time | OFF)     # cueTime
    | NEXT PRESS                        # cueByPress
    | NEXT time AFTER (BEGIN | END)     # cueByItself
    | NOTE text                         # cueNote
    ;
time : number (COLON number)? ;
prepareCue : PREPARE CUE cueRef ofList? ;
moveCue : MOVE CUE cueRef ofList? (BEFORE cueRef | TO cueRef) ;
copyLook : COPY lookRef TO (CUE cueRef? ofList? | LOOK integer? | SUBMASTER integer?) ;
splitCue : SPLIT CUE cueRef ofList? (WITH kind)* selection? ;
renumberCues : RENUMBER CUES ofList? FROM cueRef (BY cueRef)? ;
setList : LIST listRef text? listChange* ;
listChange
    : AS (CHASE | LIST)                 # listWay
    | (TRACKING | COMPLETE | CARRYING ON | STANDING ALONE)    # listJoin
    | RATE number                       # listRate
    | CROSSFADE number                  # listCrossfade
    | (FORWARDS | BACKWARDS | BOUNCE | RANDOM (SEED integer)?)  # listDirection
    | RELEASE time                      # listRelease
    | NOTE text                         # listNote
    ;
moveKept : MOVE (LIST | LOOK | SUBMASTER) integer TO integer ;
play
    : GO (LIST listRef)?                # playGo
    | BACK (LIST listRef)?              # playBack
    | PAUSE (LIST listRef)?             # playPause
    | JUMP TO CUE cueRef ofList?        # playJump
    | RELEASE (LIST listRef | EVERYTHING)   # playRelease
    | LEVEL LIST listRef AT amount      # playLevel
    | LEVEL GROUP groupRef AT amount    # playGroup
    | TEMPO LIST listRef AT number      # playRate
    | TAP LIST listRef                  # playTap
    | SUBMASTER integer AT amount       # playSubmaster
    | MASTER AT amount                  # playMaster
    | BLIND (ON | OFF)                  # playBlind
    ;
setMark : MARK text AT point ;
markFrom : MARK text FROM POSITION paletteRef ;
moveMark : MOVE MARK text (BY | TO) point ;
renameMark : RENAME MARK text text ;
realign : REALIGN (LIGHTS selection?)? (POSITION paletteRef (PLUS paletteRef)*)? (MARK text (PLUS text)*)? known (PLUS known)* ;
known : (point | text) TO point ;
setPage : PAGE pageOf text FROM integer (OF integer BY integer)? ;
renamePage : RENAME PAGE pageOf text text ;
pageOf : GROUP | kind ;
timePalette : TIME kind paletteRef (PLUS paletteRef)* (AT number | OFF) ;
scope : GLOBAL | PER TYPE | PER FIXTURE ;
onto : MERGE | REPLACE ;
rename : RENAME (GROUP groupRef | kind paletteRef) text
    | RENAME (CUE cueRef ofList? | LIST integer | LOOK integer | SUBMASTER integer) text ;
send : SEND (text | kind paletteRef) NOW? ;
home : HOME (kind | attribute)? ;
clear : CLEAR ALL? ;
next : NEXT ;
previous : PREVIOUS ;
whole : WHOLE ;
invert : INVERT (WITHIN (POSITION | TYPE))? ;
highlight : HIGHLIGHT (ON | OFF) | HIGHLIGHT REST (number | OFF) ;
recordHighlight : RECORD HIGHLIGHT (PER TYPE)? (WITH kind)* ;
forgetHighlight : HIGHLIGHT HOME ;
undo : UNDO integer? ;
redo : REDO integer? ;

/* Choose, arrange, set: any of the three, in this order. */
choose : selection pattern* value* | pattern+ value* | value+ ;

selection : selectionTerm ((PLUS | MINUS | BOTH) selectionTerm)* (WHERE state)? ;
selectionTerm
    : unit (THRU unit)?                 # range
    | SPAN                              # span
    | (unit THRU | GROUP) SPAN          # lessSpan
    | described                         # ofDescription
    | GROUP groupRef                    # ofGroup
    | LAST                              # lastSelection
    | HAND                              # inHand
    | OPEN selection pattern* CLOSED    # nested
    ;
described
    : TYPE text                         # ofType
    | POSITION text                     # atPosition
    | PURPOSE text                      # forPurpose
    | UNIVERSE integer                  # onUniverse
    | ALL                               # everything
    ;
unit : INT | DECIMAL ;
groupRef : integer | text ;

state
    : NOT state                         # notState
    | state AND state                   # andState
    | state OR state                    # orState
    | OPEN state CLOSED                 # nestedState
    | LIT                               # lit
    | DARK                              # dark
    | ACTIVE                            # active
    | AT (FULL | OUT | number (THRU number)?)   # atLevel
    | USES kind paletteRef              # usesPalette
    | USES EFFECT effectRef             # usesEffect
    | IN GROUP? groupRef                # inGroup
    | UNPATCHED                         # unpatched
    | (ANSWERED | WRONG | DEAD | NOT TRIED)     # answeredSo
    | described                         # amongState
    ;

pattern
    : EVERY integer (FROM integer)?     # every
    | BLOCKS OF integer                 # blocks
    | PART integer OF integer           # part
    | STEP integer                      # oneStep
    | MIRROR                            # mirror
    | REVERSE                           # reverse
    | SHUFFLE (SEED integer)?           # shuffle
    | CELLS                             # cells
    | SORT BY sortBy (FROM number COMMA number)?    # sort
    | (ROWS | COLUMNS | DIAGONAL | RINGS) (OF integer)? (WITHIN number)?    # grid
    ;
sortBy : NUMBER | ACROSS | ALONG | UP | OUTWARD ;

value
    : AT amount                         # intensity
    | kind paletteRef (THRU paletteRef)* (AS VALUES)?      # apply
    | EFFECT effectRef (RATE number | SIZE number)*     # applyEffect
    | (EFFECT effectRef | EFFECTS) OFF  # endEffects
    | movements                         # moving
    | COLOUR XY number COMMA number     # colourXy
    | WHITE AT number KELVIN (TINT number)?     # whiteAt
    | NUDGE COLOUR BY number COMMA number   # nudgeColour
    | NUDGE attribute BY number (COMMA attribute BY number)*    # nudgeValue
    | FLIP                              # flip
    | HOME (kind | attribute)?          # homeThese
    | INVERT attribute                  # invertValue
    | AIM AT (MARK text | point) (FAN number)?    # aimAt
    | RELEASE (kind | attribute)        # releaseValue
    | attribute SLOT? (NEXT | PREVIOUS) # stepSlot
    | attribute AT HOME                 # attributeHome
    | attribute AT amount               # setAttribute
    | attribute AT text                 # setNamed
    ;
/* What is sent may be written in hexadecimal: 0xC8 one octet, 0xC800 two. */
amount : FULL | OUT | number (THRU number)* measure? | SPAN measure? | HEX (THRU HEX)* ;
measure : PERCENT | DEG | HZ | DMX | DMX16 | KELVIN ;
attribute : WORD | WHITE ;

numbers : numberTerm (PLUS numberTerm)* ;
numberTerm : integer (THRU integer)? | SPAN ;
profile : text ;
address : DECIMAL | INT ;
paletteRef : integer | text ;
point : number COMMA number COMMA number ;
kind : INTENSITY | POSITION | COLOUR | BEAM | SHAPE | CONTROL | COMBINED ;
text : STRING ;
integer : INT ;
number : MINUS? (INT | DECIMAL) ;

PATCH : 'patch' ; AS : 'as' ; AT : 'at' ; GAP : 'gap' ; ALSO : 'also' ; SHARE : 'share' ;
TAKE : 'take' ; OVER : 'over' ; ADD : 'add' ; UNPATCH : 'unpatch' ; DELETE : 'delete' ;
NAME : 'name' ; PLACE : 'place' ; HANG : 'hang' ; ON : 'on' ; OFF : 'off' ;
RECORD : 'record' ; EDIT : 'edit' ; RENAME : 'rename' ; REPLACE : 'replace' ; MERGE : 'merge' ;
CLOSE : 'close' ; WHEEL : 'wheel' ; GLOBAL : 'global' ; PER : 'per' ; TYPE : 'type' ; FIXTURE : 'fixture' ;
HOME : 'home' ; CLEAR : 'clear' ; NEXT : 'next' ; PREVIOUS : 'previous' ; HIGHLIGHT : 'highlight' ;
UNDO : 'undo' ; REDO : 'redo' ; GROUP : 'group' ; ALL : 'all' ; LAST : 'last' ; THRU : 'thru' ;
EVERY : 'every' ; FROM : 'from' ; BLOCKS : 'blocks' ; OF : 'of' ; PART : 'part' ; MIRROR : 'mirror' ;
REVERSE : 'reverse' ; SHUFFLE : 'shuffle' ; SEED : 'seed' ; VALUES : 'values' ; XY : 'xy' ;
FULL : 'full' ; OUT : 'out' ; DEG : 'deg' ; HZ : 'hz' ; DMX : 'dmx' ; DMX16 : 'dmx16' ; KELVIN : 'k' ;
INTENSITY : 'intensity' ; POSITION : 'position' ; COLOUR : 'colour' | 'color' ; BEAM : 'beam' ;
SHAPE : 'shape' ; CONTROL : 'control' ; COMBINED : 'combined' ; WHITE : 'white' ;
PURPOSE : 'purpose' ; NOTE : 'note' ; RENUMBER : 'renumber' ; CHANGE : 'change' ; TO : 'to' ; SWAP : 'swap' ;
WITH : 'with' ; SHIFT : 'shift' ; BY : 'by' ; COMPACT : 'compact' ; UNIVERSE : 'universe' ; UNIVERSES : 'universes' ;
ONE : 'one' ; MARK : 'mark' ; ANSWERED : 'answered' ; WRONG : 'wrong' ; DEAD : 'dead' ; NOT : 'not' ;
TRIED : 'tried' ; PRIORITY : 'priority' ; NUMBER : 'number' ; RIG : 'rig' ; UNICAST : 'unicast' ;
MULTICAST : 'multicast' ; ARTNET : 'art-net' | 'artnet' ; BROADCAST : 'broadcast' ; SYNC : 'sync' ; GEL : 'gel' ; SAVE : 'save' ; RESTORE : 'restore' ; VERSION : 'version' ;
TINT : 'tint' ; MOVE : 'move' ; COPY : 'copy' ; FREEZE : 'freeze' ; STARTER : 'starter' ; GROUPS : 'groups' ; RECIPE : 'recipe' ;
WHOLE : 'whole' ; STEP : 'step' ; CELLS : 'cells' ; SORT : 'sort' ; ACROSS : 'across' ; ALONG : 'along' ; UP : 'up' ;
OUTWARD : 'outward' ; ROWS : 'rows' ; COLUMNS : 'columns' ; DIAGONAL : 'diagonal' ; RINGS : 'rings' ; WITHIN : 'within' ;
INVERT : 'invert' ; REST : 'rest' ; HAND : 'hand' ; WHERE : 'where' ; LIT : 'lit' ; DARK : 'dark' ; ACTIVE : 'active' ; USES : 'uses' ; IN : 'in' ; UNPATCHED : 'unpatched' ;
ONLY : 'only' ; WITHOUT : 'without' ; KEEP : 'keep' ; NEW : 'new' ; REFERENCES : 'references' ; TIDY : 'tidy' ; TIME : 'time' ; RELEASE : 'release' ; NUDGE : 'nudge' ; AIM : 'aim' ; FAN : 'fan' ; NARROW : 'narrow' ; INTO : 'into' ; FILL : 'fill' ; FOR : 'for' ; UPDATE : 'update' ; PALETTES : 'palettes' ;
LOOK : 'look' ; CUE : 'cue' ; CUES : 'cues' ; LIST : 'list' ; SUBMASTER : 'submaster' ; TOUCHED : 'touched' ; SEND : 'send' ; NOW : 'now' ; SELECTED : 'selected' ; OPENS : 'open' ; WAIT : 'wait' ;
PRESS : 'press' ; AFTER : 'after' ; BEGIN : 'begin' ; END : 'end' ; BEFORE : 'before' ; SPLIT : 'split' ; CHASE : 'chase' ; CARRYING : 'carrying' ;
TRACKING : 'tracking' ; COMPLETE : 'complete' ; STANDING : 'standing' ; ALONE : 'alone' ; RATE : 'rate' ; CROSSFADE : 'crossfade' ; FORWARDS : 'forwards' ; BACKWARDS : 'backwards' ; BOUNCE : 'bounce' ;
RANDOM : 'random' ; GO : 'go' ; BACK : 'back' ; PAUSE : 'pause' ; JUMP : 'jump' ; EVERYTHING : 'everything' ; LEVEL : 'level' ; TEMPO : 'tempo' ; TAP : 'tap' ;
MASTER : 'master' ; PREPARE : 'prepare' ; BLIND : 'blind' ; COLON : ':' ;
EFFECT : 'effect' ; EFFECTS : 'effects' ; SINE : 'sine' ; TRIANGLE : 'triangle' ; RAMP : 'ramp' ; FALL : 'fall' ; SQUARE : 'square' ; CIRCLE : 'circle' ;
EIGHT : 'eight' ; LINE : 'line' ; RUN : 'run' ; SIZE : 'size' ; OFFSET : 'offset' ; ROUND : 'round' ; DUTY : 'duty' ; TURNED : 'turned' ; AROUND : 'around' ;
SLOT : 'slot' ; GIVE : 'give' ; RENEW : 'renew' ; PROFILE : 'profile' ;
REALIGN : 'realign' ; FLIP : 'flip' ; PAGE : 'page' ; LIGHTS : 'lights' ; AND : 'and' ; OR : 'or' ; OPEN : '(' ; CLOSED : ')' ; BOTH : '&' ;
PLUS : '+' ; MINUS : '-' ; COMMA : ',' ;
/* Written without a blank, as people write a range; with blanks it takes away. */
SPAN : [0-9]+ ('.' [0-9]+)? '-' [0-9]+ ('.' [0-9]+)? ;
PERCENT : '%' ;
/* The same in other signs. */
PERCENT_WORD : 'percent' -> type(PERCENT) ;
DEGREES : '\u00B0' -> type(DEG) ;
AT_SIGN : '@' -> type(AT) ;
HEX : '0x' [0-9a-f]+ ;
DECIMAL : [0-9]+ '.' [0-9]+ ;
INT : [0-9]+ ;
/* A quotation mark within a name is written twice. */
STRING : '"' (~["\r\n] | '""')* '"' | '“' ~[”\r\n]* '”' ;
WORD : [a-z_] [a-z0-9_]* ;
SPACE : [ \t\r\n\u00A0]+ -> skip ;
STRAY : . ;
