/** What a piece of a paper is to who hears it read, by the standard structure types of ISO 32000. */
type Role = 'H1' | 'H2' | 'P' | 'Figure' | 'Table' | 'TR' | 'TH' | 'TD';

export interface Tag {
  readonly role: Role;
  /** What it belongs to where that is not what stands around it: a row, to its table. */
  readonly within?: Tag;
  /** What a picture shows, in words. */
  readonly alt?: string;
}

/** For the props of a piece of a paper; pieces of one tag are one piece, over a page's end too. */
export const tagged = (role: Role, rest: Omit<Tag, 'role'> = {}): { readonly tag: Tag } => ({
  tag: { role, ...rest },
});

/** A piece of a paper where it was laid out. */
export interface Laid {
  readonly type: string;
  readonly box?: object;
  readonly style?: object;
  readonly props?: {
    readonly tag?: Tag;
    readonly fixed?: boolean;
    readonly paint?: () => void;
  };
  readonly children?: readonly Laid[];
}

/** Writes structure beside what is drawn; ISO 32000-1, 14.6 to 14.8. */
export interface StructureWriter {
  struct(role: string, options: object): PDFKit.PDFStructureElement;
  addStructure(element: PDFKit.PDFStructureElement): unknown;
  markContent(tag: string, options: object): unknown;
  markStructureContent(role: string): PDFKit.PDFStructureContent;
  endMarkedContent(): unknown;
}

/** Drawn whole, and by default what they are. */
const LEAVES: Readonly<Record<string, Role>> = { TEXT: 'P', SVG: 'Figure', IMAGE: 'Figure' };

/** Draws nothing and is done where it stands between what is drawn. */
const doneHere = (paint: () => void): Laid => ({
  type: 'CANVAS',
  box: { top: 0, left: 0, width: 1, height: 1 },
  style: {},
  props: { paint },
  children: [],
});

/**
 * A laid out document whose drawing also writes its structure: every text, table and picture under
 * its tag, all else (lines, what stands on every page) as no part of what is read.
 */
export function withStructure(writer: StructureWriter, document: Laid): Laid {
  const root = writer.struct('Document', {});
  writer.addStructure(root);
  const made = new Map<Tag, PDFKit.PDFStructureElement>();
  const elementOf = (tag: Tag, around: PDFKit.PDFStructureElement): PDFKit.PDFStructureElement => {
    const known = made.get(tag);
    if (known) return known;
    const element = writer.struct(tag.role, {
      ...(tag.alt === undefined ? {} : { alt: tag.alt }),
      ...(tag.role === 'TH' ? { scope: 'Column' } : {}),
    });
    (tag.within ? elementOf(tag.within, around) : around).add(element);
    made.set(tag, element);
    return element;
  };
  const unread = (): unknown => writer.markContent('Artifact', { type: 'Layout' });

  const marked = (piece: Laid, around: PDFKit.PDFStructureElement): readonly Laid[] => {
    if (piece.props?.fixed) return [piece];
    const leaf = LEAVES[piece.type],
      tag = piece.props?.tag ?? (leaf ? { role: leaf } : null),
      element = tag ? elementOf(tag, around) : around;
    if (!tag || !leaf)
      return [{ ...piece, children: (piece.children ?? []).flatMap((c) => marked(c, element)) }];
    const begin = doneHere(() => {
      writer.endMarkedContent();
      element.add(writer.markStructureContent(tag.role));
    });
    const end = doneHere(() => {
      writer.endMarkedContent();
      unread();
    });
    return [begin, piece, end];
  };
  const page = (laid: Laid): Laid => ({
    ...laid,
    children: [
      doneHere(unread),
      ...(laid.children ?? []).flatMap((c) => marked(c, root)),
      doneHere(() => writer.endMarkedContent()),
    ],
  });
  return { ...document, children: (document.children ?? []).map(page) };
}
