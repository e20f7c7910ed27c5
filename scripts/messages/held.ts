/** Texts that are no messages, by where they stand, each with its reason. */
const HELD: readonly (readonly [path: RegExp, texts: RegExp, reason: string])[] = [
  [/^src\/core\/messages\//, /./, 'what writes messages'],
  [/^src\/devices\//, /./, "a stand-in's own words, as a device of another maker would send"],
  [/^src\/server\/attack\//, /./, 'the attacks of a script that nobody reads in the app'],
  [/^src\/core\/routing\/wayOut/, /./, 'kept in a build: worded where it is shown'],
  [/^src\/format\/inp\/write/, /./, 'keywords and comments of an open file format'],
  [/^src\/format\/quoteCsv/, /^[a-z ]+$/, 'heads of columns that shops write in English'],
  [/^src\/core\/(components|design)\/schema/, /./, 'names of rules: worded in validation'],
  [/^src\/core\/components\/(base|standards)/, /./, 'names that build files hold'],
  [/^src\/core\/datasheet\/(phrases|sizes|fields)/, /./, "words looked for in a maker's sheet"],
  [/^src\/core\/datasheet\/make/, /as pasted$/, 'a source, kept in the part'],
  [/^src\/core\/making\/heatSource/, /^told by/, 'the maker of a made part, kept in the build'],
  [
    /^src\/core\/(assembly\/step|bom\/leadTimes|transient\/types|log\/diagnose)\.ts/,
    /./,
    'names that files and code know a thing by: worded where they are shown',
  ],
  [
    /^src\/core\/(hydraulics\/solve|bom\/mixing)\.ts/,
    /./,
    'names that the evaluation holds: worded where they are shown',
  ],
  [/./, /^(first run|common practice, no source)$/, 'a key of the work record; a source'],
  [/^src\/core\/checks\/(fitPair|screwFit)/, /./, 'a source'],
  [/./, /^[A-Z]\w+Error$/, 'the name of a class'],
  [/./, /^[a-z-]+(=\d+)?(, [a-z-]+(=\d+)?)+$/, 'a header of HTTP'],
  [/^src\/(server\/session|view\/shared\/kept)/, /./, 'parts of a cookie'],
  [/./, /^(rotate[XY]\(|mono soft$|zephyron-)/, 'styles and keys of storage'],
  [/./, /^(Pa|mm|dBA|mm²|µS\/cm|L\/min|ft\/s|sq in|fl oz|all K)$/, 'symbols of units (SI)'],
  [/./, /^\s*(%s · )?Zephyron( · )?\s*$/, 'the name of the app'],
  [/^src\/format\/backupZip/, /^\{\}: [a-z]+(\[\{\}\])?$/, 'places in a file'],
  [/^src\/core\/analysis\/picture/, /./, 'a drawing for the documents'],
  [/./, /^ [a-z-]+="/, 'attributes of SVG'],
  [/./, /^45 kPa$/, 'a figure'],
  [/^src\/server\/pdf\/tags/, /^(Document|Column|Artifact)$/, 'names of PDF (ISO 32000)'],
  [/^src\/store\/open/, /^PRAGMA /, 'a command to the database'],
  [/./, /^-\/\//, 'an identifier of a calendar (RFC 5545)'],
  [/./, /^attachment; filename/, 'a header of HTTP'],
  [/TrayOpenings/, /^Clearance behind the tray$/, 'the name of a chamber, kept in the case'],
];

/** Whether a text stays as it is written. */
export const isHeld = (path: string, text: string): boolean =>
  HELD.some(([place, texts]) => place.test(path) && texts.test(text));
