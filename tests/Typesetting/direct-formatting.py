# What python-docx (Debian package python3-docx) reads of direct formatting in a file, by the words of the paragraph, as JSON.
# usage: direct-formatting.py FILE
import json, sys
from docx import Document
from docx.oxml.ns import qn

W14 = '{http://schemas.microsoft.com/office/word/2010/wordml}'
points = lambda length: None if length is None else round(length.pt, 2)


def run(each):
    r = each._element.rPr
    form = None if r is None else r.find(W14 + 'numForm')
    said = {
        'size': points(each.font.size), 'bold': each.font.bold, 'italic': each.font.italic, 'face': each.font.name,
        'colour': None if each.font.color is None or each.font.color.rgb is None else str(each.font.color.rgb),
        'small': each.font.small_caps, 'underline': each.font.underline,
        'figures': None if form is None else form.get(W14 + 'val'),
    }
    return {name: value for name, value in said.items() if value is not None}


found = {}
for paragraph in Document(sys.argv[1]).paragraphs:
    form, p = paragraph.paragraph_format, paragraph._element.pPr
    shade = None if p is None else p.find(qn('w:shd'))
    borders = None if p is None else p.find(qn('w:pBdr'))
    said = {
        'alignment': None if p is None or p.find(qn('w:jc')) is None else p.find(qn('w:jc')).get(qn('w:val')),
        'before': points(form.space_before), 'after': points(form.space_after),
        'left': points(form.left_indent), 'right': points(form.right_indent), 'first': points(form.first_line_indent),
        'keepNext': form.keep_with_next, 'keepLines': form.keep_together,
        'ground': None if shade is None else shade.get(qn('w:fill')),
        'borders': None if borders is None else [' '.join([side.tag.split('}')[1], side.get(qn('w:sz')), side.get(qn('w:color'))]) for side in borders],
        'runs': [run(each) for each in paragraph.runs],
    }
    found[paragraph.text] = {name: value for name, value in said.items() if value is not None}
print(json.dumps(found))
