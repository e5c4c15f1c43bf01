# What python-docx (Debian package python3-docx) reads of the styles of a file, as JSON.
# usage: docx-styles.py FILE STYLE...
import json, sys
from docx import Document
from docx.oxml.ns import qn

W14 = '{http://schemas.microsoft.com/office/word/2010/wordml}'
doc = Document(sys.argv[1])
by_id = {style.style_id: style for style in doc.styles}
found = {}
for name in sys.argv[2:]:
    style = by_id.get(name)
    if style is None:
        found[name] = None
        continue
    font, element = style.font, style.element
    r = element.rPr
    of = lambda parent, tag, attribute='w:val': None if parent is None or parent.find(qn(tag)) is None else parent.find(qn(tag)).get(qn(attribute))
    form = None if r is None else r.find(W14 + 'numForm')
    said = {
        'face': font.name, 'size': None if font.size is None else font.size.pt, 'bold': font.bold, 'italic': font.italic,
        'small': font.small_caps, 'caps': font.all_caps, 'underline': bool(font.underline),
        'colour': None if font.color is None or font.color.rgb is None else str(font.color.rgb).lower(),
        'letterSpacing': of(r, 'w:spacing'), 'figures': None if form is None else form.get(W14 + 'val'),
        'ground': of(r, 'w:shd', 'w:fill'),
    }
    if style.type == 1:
        p, pPr = style.paragraph_format, element.pPr
        edge = lambda side: None if pPr is None or pPr.find(qn('w:pBdr')) is None or pPr.find(qn('w:pBdr')).find(qn('w:' + side)) is None else [pPr.find(qn('w:pBdr')).find(qn('w:' + side)).get(qn('w:sz')), pPr.find(qn('w:pBdr')).find(qn('w:' + side)).get(qn('w:color')).lower()]
        points = lambda length: None if length is None else round(length.pt, 2)
        said.update({
            'ground': of(pPr, 'w:shd', 'w:fill'),
            'alignment': of(pPr, 'w:jc'), 'line': of(pPr, 'w:spacing', 'w:line'), 'lineRule': of(pPr, 'w:spacing', 'w:lineRule'),
            'before': points(p.space_before), 'after': points(p.space_after), 'firstLine': points(p.first_line_indent),
            'left': points(p.left_indent), 'right': points(p.right_indent),
            'top': edge('top'), 'bottom': edge('bottom'), 'side': edge('left'),
            'keepNext': p.keep_with_next, 'keepLines': p.keep_together, 'newPage': p.page_break_before,
            'autoHyphens': doc.settings.element.find(qn('w:autoHyphenation')) is not None,
            'noHyphens': pPr is not None and pPr.find(qn('w:suppressAutoHyphens')) is not None,
        })
    found[name] = said
print(json.dumps(found))
