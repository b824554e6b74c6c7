export const USAGE = `ft check  FILE [--scene NAME]              findings of a scene
ft trace  FILE --from PORT | --to PORT     every path from, or to, a port
ft levels FILE [--from PORT]               level ladder of every thread, or of those from a port
ft route  FILE [--out FILE]                route the scene's threads; --out writes the bundle with the new cords
ft channels FILE --device NAME [--csv]      the channel sheet of a console, as text or as a table
ft channels FILE --device NAME --read TABLE [--out FILE]   what a table changes; --out writes the bundle with it
ft cues FILE                               who hears what, at which level, on which box
ft playback FILE [--check]                 playback checks: count, tap, order, switches, who plays back
ft inserts FILE [--csv | --names]           jobs through outboard: units, channels, trims, conflicts; --names what the
                                           host's inputs and outputs are called
ft summing FILE [--csv]                    who stands where in a sum, why, what would be next best, who takes how much
ft log ARCHIVE [--csv | --labels]          the take log of a session, as text, table or label file
ft sessions FILE                           sessions and templates, with date, findings and what is on the floor
ft sessions FILE DEED NAME [--out FILE]    what DEED makes of them; without --out nothing is written:
   new NAME [--from NAME]                  a session, empty or from a template or an earlier session
   copy | rename NAME --as NAME
   template NAME --as NAME [--keep lines,pins,tracks,buses,scenes,settings]
   date NAME --as 2026-12-05               put-away | bring-back | live | not-live | remove NAME
   take-over OTHERFILE [--session NAME] [--as NAME] [--stand "Theirs=Ours"]
ft backup DIR                              a verified copy of all data of the program, running or not
ft restore FILE [--into DIR]               a backup as a data folder of its own, never over the one in use
ft verify [FILE]                           the data, or a backup, looked over page by page and line by line

FILE is a bundle (*.thread.json), or of restore and verify a backup (*.sqlite); ARCHIVE is everything in one
file (*.thread.zip), since takes are kept beside the documents. A PORT is a lane id
(bay-a/upper-3/1) or its name (“Bay A 3 upper”). --session NAME and --scene NAME choose what is looked at;
without them, the first. --json prints JSON. The data folder is FT_DATA, or where the program keeps it.
Exit code: 0 fine, 1 findings of severity error (check), threads not routed (route), a playback check that does not
hold (playback --check), something left out (sessions take-over) or data that is not whole (verify), 2 bad input or usage.`;
