export const USAGE = `ft check  FILE [--scene NAME]              findings of a scene
ft trace  FILE --from PORT | --to PORT     every path from, or to, a port
ft levels FILE [--from PORT]               level ladder of every thread, or of those from a port
ft route  FILE [--out FILE]                route the scene's threads; --out writes the bundle with the new cords

FILE is a bundle (*.thread.json). A PORT is a lane id (bay-a/upper-3/1) or its name (“Bay A 3 upper”).
--session NAME and --scene NAME choose what is looked at; without them, the first. --json prints JSON.
Exit code: 0 fine, 1 findings of severity error (check) or threads not routed (route), 2 bad input or usage.`;
