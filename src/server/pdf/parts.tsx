import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { msg, shownLanguage } from '@/core/messages';
import { FAMILIES, pdfText } from './fonts';
import { tagged } from './tags';

const INK = '#1F2D36',
  SOFT = '#56636A',
  HAIR = '#CFC7B8';
const styles = StyleSheet.create({
  page: { padding: 40, paddingBottom: 52, fontFamily: FAMILIES as never, fontSize: 9, color: INK },
  title: { fontWeight: 700, fontSize: 17 },
  under: { marginTop: 3, marginBottom: 6, fontSize: 10 },
  head: { fontWeight: 700, fontSize: 11, marginTop: 12, marginBottom: 3 },
  row: {
    flexDirection: 'row',
    borderBottomWidth: 0.5,
    borderBottomColor: HAIR,
    paddingVertical: 2.5,
  },
  heading: { color: SOFT },
  cell: { paddingRight: 6 },
  right: { textAlign: 'right' },
  foot: {
    position: 'absolute',
    bottom: 24,
    left: 40,
    right: 40,
    fontSize: 8,
    color: SOFT,
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
});

export interface Column {
  readonly head: string;
  /** Share of the width. */
  readonly wide: number;
  readonly right?: boolean;
}

/**
 * A table with a heading of its own; nothing when it has no rows. Rows stay whole over a page's
 * end.
 */
export function PdfTable({
  title,
  columns,
  rows,
}: {
  readonly title: string;
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly string[])[];
}) {
  if (rows.length === 0) return null;
  const { tag: table } = tagged('Table');
  const line = (cells: readonly string[], key: number | string, head: boolean): ReactNode => (
    <View
      key={key}
      style={head ? [styles.row, styles.heading] : styles.row}
      wrap={false}
      {...tagged('TR', { within: table })}
    >
      {columns.map((c, i) => (
        <Text
          key={c.head + String(i)}
          {...tagged(head ? 'TH' : 'TD')}
          style={[styles.cell, { width: `${c.wide}%` }, ...(c.right ? [styles.right] : [])]}
        >
          {pdfText(cells[i] ?? '')}
        </Text>
      ))}
    </View>
  );
  return (
    <View>
      <View wrap={false} minPresenceAhead={40}>
        <Text style={styles.head} {...tagged('H2')}>
          {pdfText(title)}
        </Text>
        {line(
          columns.map((c) => c.head),
          'head',
          true,
        )}
      </View>
      {rows.map((r, i) => line(r, i, false))}
    </View>
  );
}

/** An A4 document with its title, and on every page where it is from. */
export function PdfSheet({
  title,
  under,
  foot,
  children,
}: {
  readonly title: string;
  readonly under: string;
  readonly foot: string;
  readonly children: ReactNode;
}) {
  return (
    <Document
      title={pdfText(title)}
      creator="Zephyron"
      producer="Zephyron"
      language={shownLanguage()}
    >
      <Page size="A4" style={styles.page}>
        <Text style={styles.title} {...tagged('H1')}>
          {pdfText(title)}
        </Text>
        <Text style={styles.under}>{pdfText(under)}</Text>
        {children}
        <View style={styles.foot} fixed>
          <Text>{pdfText(foot)}</Text>
          <Text render={({ pageNumber, totalPages }) => msg`${pageNumber} of ${totalPages}`} />
        </View>
      </Page>
    </Document>
  );
}
