// For unit tests of what stands on paper: the parts of a page by name, as the library has them
// itself. What sets them is tested where the papers are printed.
module.exports = {
  ...Object.fromEntries(
    'Document Page View Text Image Svg G Line Polyline Rect'.split(' ').map((n) => [n, n]),
  ),
  StyleSheet: { create: (styles) => styles },
  Font: { register: () => undefined },
};
