/**
 * The tracks of "The Lamplighter's Ledger", as a list pasted into the track sheet. The lamplighter is crushed
 * beside himself over a hardware insert that nobody has measured yet. DAW outputs 9 to 24
 * stand over the summing mixer; 33 to 40 are line outputs 1 to 8 of the cue interface.
 */
export const TRACK_LIST = `Name\tKind\tWidth\tInput\tOutputs\tInserts\tSends\tFader\tPan
NARR\taudio\tmono\t5\tbus Dialogue\tDe-ess @64\tbus Plate −14; 33 −6 pre\t0\tC
LAMP\taudio\tmono\t2\tbus Dialogue\tDe-ess @64\tbus Plate −14; bus Crush −8; 34 −6 pre\t−1.5\tL20
FOLEY\taudio\tmono\t3\tbus Foley\tGate @0\t35 −8 pre\t−3\tC
HARP\taudio\tmono\t4\tbus Music\t\tbus Hall −10; 36 −8 pre\t−2\tR30
VIB\taudio\tstereo\t25–26\tbus Music\t\tbus Hall −12\t−4\tC
BCL\taudio\tmono\t27\tbus Music\t\tbus Hall −10\t−3\tL15
HARM\taudio\tmono\t28\tbus Music\t\tbus Hall −12\t−5\tR10
DRUM\taudio\tmono\t29\tbus Music\tPunch @32\tbus Hall −16\t−6\tC
HARPLO\taudio\tmono\t30\tbus Music\t\t\t−8\tR30
ROOM\taudio\tstereo\t31–32\tbus Music\t\t\t−9\tC
LAMPS\tinstrument\tstereo\t\tbus Effects\tGas hiss @0\t\t−12\tC
PLATE\taux\tstereo\tbus Plate\tbus Dialogue\tPlate @0\t\t−6\tC
CRUSH\taux\tmono\tbus Crush\tbus Dialogue\thw 17\t\t−4\tC
HALL\taux\tstereo\tbus Hall\tbus Music\tHall @128\t\t−6\tC
DX\tgroup\tstereo\tbus Dialogue\t9–10 + bus Key\t\t\t0\tC
FY\tgroup\tstereo\tbus Foley\t11–12\t\t\t0\tC
MX\tgroup\tstereo\tbus Music\t13–14\tDuck @32 key Key\t\t0\tC
FX\tgroup\tstereo\tbus Effects\t15–16\t\t\t0\tC
PRINT\tprint\tstereo\t23–24\t\t\t\t0\tC`;
