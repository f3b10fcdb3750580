package mindspool.server.stock;

/** Label grids, mm: sheets of A4 and letter paper, and single labels for label printers. */
enum LabelSheet {
  A4_3X8("A4, 3 by 8, 70 x 37 mm", 210, 297, 3, 8, 70, 37, 0, 0.5, 0, 0),
  A4_3X7("A4, 3 by 7, 63.5 x 38.1 mm", 210, 297, 3, 7, 63.5, 38.1, 7.2, 15.1, 2.5, 0),
  A4_4X10("A4, 4 by 10, 48.5 x 25.4 mm", 210, 297, 4, 10, 48.5, 25.4, 8, 21.5, 0, 0),
  LETTER_3X10(
      "Letter, 3 by 10, 66.7 x 25.4 mm", 215.9, 279.4, 3, 10, 66.7, 25.4, 4.8, 12.7, 3.1, 0),
  LETTER_2X5("Letter, 2 by 5, 101.6 x 50.8 mm", 215.9, 279.4, 2, 5, 101.6, 50.8, 4, 12.7, 4.7, 0),
  SINGLE_62X29("Single, 62 x 29 mm", 62, 29, 1, 1, 62, 29, 0, 0, 0, 0),
  SINGLE_50X30("Single, 50 x 30 mm", 50, 30, 1, 1, 50, 30, 0, 0, 0, 0),
  SINGLE_40X30("Single, 40 x 30 mm", 40, 30, 1, 1, 40, 30, 0, 0, 0, 0);

  final String title;
  final double paperWidthMm;
  final double paperHeightMm;
  final int columns;
  final int rows;
  final double widthMm;
  final double heightMm;
  final double leftMm;
  final double topMm;
  final double gapXMm;
  final double gapYMm;

  LabelSheet(
      String title,
      double paperWidthMm,
      double paperHeightMm,
      int columns,
      int rows,
      double widthMm,
      double heightMm,
      double leftMm,
      double topMm,
      double gapXMm,
      double gapYMm) {
    this.title = title;
    this.paperWidthMm = paperWidthMm;
    this.paperHeightMm = paperHeightMm;
    this.columns = columns;
    this.rows = rows;
    this.widthMm = widthMm;
    this.heightMm = heightMm;
    this.leftMm = leftMm;
    this.topMm = topMm;
    this.gapXMm = gapXMm;
    this.gapYMm = gapYMm;
  }

  int perPage() {
    return columns * rows;
  }

  /** Left edge of the label at a place on the page, mm. */
  double xMm(int place) {
    return leftMm + place % columns * (widthMm + gapXMm);
  }

  /** Top edge of the label at a place on the page, mm from the top. */
  double yMm(int place) {
    return topMm + place / columns * (heightMm + gapYMm);
  }
}
