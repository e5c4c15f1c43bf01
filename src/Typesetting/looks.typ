// How the kinds of text look: what look.typ says of them, which PHP makes of the style sheet, done to content.
#import "look.typ": kinds, items, own-kinds, own-words, setup

// Lines stand exactly so far from each other as the style says, whatever the face.
#let looks(style, body) = {
  set text(
    font: (style.face,) + setup.fallback,
    size: style.size,
    weight: style.weight,
    style: if style.italic { "italic" } else { "normal" },
    hyphenate: style.hyphenate,
    fill: if style.colour == none { black } else { rgb(style.colour) },
    tracking: style.tracking,
    number-type: style.figures,
    top-edge: 0.8em,
    bottom-edge: -0.2em,
  )
  set par(
    justify: style.justified,
    leading: style.pitch - style.size,
    spacing: style.pitch - style.size + style.after,
    first-line-indent: (amount: calc.max(0pt, style.first-line), all: style.indents-all),
    hanging-indent: calc.max(0pt, -style.first-line),
  )
  set align(style.align) if style.align != none
  body
}
// Capitals of the height of small letters, for any face: many have none of their own.
#let small-capitals(body) = {
  show regex("\\p{Ll}+"): it => text(size: 0.8em, upper(it))
  body
}
#let dressed(style, body) = {
  let body = if style.capitals == "all" { upper(body) } else if style.capitals == "small" { small-capitals(body) } else { body }
  if style.underline { underline(body) } else { body }
}
#let ruled(rule) = if rule != none { rule.first() + rgb(rule.last()) }
#let is-drawn(style) = (style.ground, style.frame, style.rule-above, style.rule-below).any(each => each != none)
// What is drawn around a text, with room between: the ground, a frame, rules above and below.
#let drawn-around(style, body, ..options) = if not is-drawn(style) { body } else {
  let wide = if style.ground != none or style.frame != none { setup.padding } else { 0pt }
  block(
    width: 100%,
    fill: if style.ground != none { rgb(style.ground) },
    stroke: (
      left: ruled(style.frame),
      right: ruled(style.frame),
      top: ruled(if style.rule-above == none { style.frame } else { style.rule-above }),
      bottom: ruled(if style.rule-below == none { style.frame } else { style.rule-below }),
    ),
    inset: (x: wide, y: setup.padding / 2),
    ..options,
    body,
  )
}
#let indents(style) = if setup.right-to-left { (left: style.indent-end, right: style.indent-start) } else {
  (left: style.indent-start, right: style.indent-end)
}
// What stands in a block by itself is no paragraph to the engine, and has no first line until it is one.
#let with-first-line(style, body) = if style.first-line == 0pt { body } else { par(body) }
#let styled-block(style, body, ..options) = block(
  above: style.before,
  below: style.after,
  width: 100%,
  inset: indents(style),
  breakable: not style.keep-together,
  sticky: style.keep-with-next,
  ..options,
  drawn-around(style, looks(style + (indents-all: true), dressed(style, with-first-line(style, body)))),
)
// A paragraph of a look of its own: as far from its neighbours as that look says.
#let paragraph-of(style, body) = block(
  above: style.pitch - style.size + style.before,
  below: style.pitch - style.size + style.after,
  width: 100%,
  inset: indents(style),
  breakable: not style.keep-together,
  sticky: style.keep-with-next,
  drawn-around(style, looks(style + (indents-all: true), dressed(style, par(body))), breakable: not style.keep-together),
)
// Paragraphs of the body, and those right under a heading, where they differ from what pages are set in anyway.
#let boxed-paragraph(body) = paragraph-of(kinds.body, body)
#let first-paragraph(body) = if setup.first-is-apart { paragraph-of(kinds.first-paragraph, body) } else { body }
#let indented-paragraph(body) = { h(calc.max(0pt, kinds.body.first-line)); body }
#let second-paragraph(body) = if setup.first-is-apart { indented-paragraph(body) } else { body }
// Kinds of the writer's own; one that the style sheet does not know is body.
#let of-kind(name, may-begin, body) = if name in own-kinds {
  let style = own-kinds.at(name)
  if style.new-page and may-begin { pagebreak(weak: true) }
  paragraph-of(style, body)
} else { body }
#let worded(style, body) = text(..style.text, {
  let inner = dressed(style, body)
  if style.ground == none { inner } else { highlight(fill: rgb(style.ground), inner) }
})
#let word(name, body) = if name in own-words { worded(own-words.at(name), body) } else { body }
#let item(depth, body) = {
  let style = items.at(calc.min(depth, 9) - 1)
  if not style.is-apart { return body }
  let item = drawn-around(style, looks(style + (first-line: 0pt), dressed(style, body)))
  // An item is as wide as its words, in which nothing can be set to the middle or the end.
  if style.align == none { item } else { block(width: 100%, item) }
}
// The words of a cell, and of one that heads its row or column; `share` is how much smaller the table is set.
#let in-cell(body) = {
  set text(hyphenate: true) if kinds.table-cell.hyphenate
  dressed(kinds.table-cell, body)
}
#let in-head(body) = {
  let (style, cell) = (kinds.table-head, kinds.table-cell)
  set text(
    font: (style.face,) + setup.fallback,
    size: style.size / cell.size * 1em,
    weight: style.weight,
    style: if style.italic { "italic" } else { "normal" },
    fill: if style.colour == none { black } else { rgb(style.colour) },
    tracking: style.tracking,
    number-type: style.figures,
  )
  set par(leading: (style.pitch - style.size) / style.size * 1em)
  set text(hyphenate: true) if style.hyphenate
  dressed(style, body)
}
