// What every document is typeset with. Its sections call these functions with words that are string literals; look.typ,
// which PHP makes of the house style and the page setup, says how each kind of text looks. No file is read here but the
// pictures of the document, by their hash.
#import "look.typ": kinds, levels, contents-levels, items, setup, words
#import "looks.typ": boxed-paragraph, drawn-around, dressed, first-paragraph, in-cell, in-head, indented-paragraph, indents, is-drawn, item, looks, of-kind, paragraph-of, second-paragraph, styled-block, word, worded
#import "tables.typ": breaking, fitted, holds, may-break, shrunk

// Places that can be gone to, and whose pages are asked for. Two kinds of them may share an id.
#let spot-label(kind, id) = label(kind + "-" + id)
#let spot(kind, id) = [#metadata((kind, id))#spot-label(kind, id)]
// A spot before what is no paragraph: a paragraph of its own would take a line.
#let block-spot(body) = place(body)

#let found-spot(target) = {
  let found = query(target)
  if found.len() > 0 { found.first().location() }
}
#let page-at(location) = {
  let pattern = location.page-numbering()
  if pattern == none { pattern = "1" }
  numbering(pattern, ..counter(page).at(location))
}
#let to-place(target, body) = context {
  let location = found-spot(target)
  if location == none { body } else { link(location, body) }
}
#let code(body) = text(font: (kinds.code.face,) + setup.fallback, size: 0.86em, hyphenate: false, body)
// What the writer is told of a place that pages cannot show as it was meant: what it is, and the id of its caption.
#let told(what, id: "") = [#metadata((what, id))]
// In a part that is printed by itself the place may be elsewhere; then it is named by its words.
#let to-page(target, otherwise) = context {
  let location = found-spot(target)
  if location == none { told("no-page") + otherwise } else {
    link(location, words.page + sym.space.nobreak + page-at(location))
  }
}
// `source` is content, whose long words may be broken.
#let unread-formula(source) = told("unread-formula") + code(source)

// Where words may be wider than the lines: letters are large, or the lines short.
#let by-width(body) = layout(size => breaking(size.width, body))
// --- blocks --------------------------------------------------------------------------------------------------------

#let quotation(body, may-begin: false) = {
  let style = kinds.quotation
  if style.new-page and may-begin { pagebreak(weak: true) }
  block(
    above: style.pitch - style.size + style.before,
    below: style.pitch - style.size + style.after,
    inset: indents(style),
    breakable: not style.keep-together,
    sticky: style.keep-with-next,
    drawn-around(
      style,
      quote(block: true, quotes: false, looks(style + (indents-all: style.first-line != 0pt), dressed(style, body))),
    ),
  )
}
#let item-gap(depth) = {
  let style = items.at(calc.min(depth, 9) - 1)
  style.pitch - style.size + style.after
}
#let list-block(depth, body) = {
  let style = items.at(calc.min(depth, 9) - 1)
  let gap = item-gap(depth)
  set list(spacing: gap)
  set enum(spacing: gap)
  set par(spacing: gap)
  set block(above: gap + 3pt + style.before, below: gap + 3pt)
  body
}
#let bullets(depth, ..items) = list-block(depth, list(marker: ([•], [–], [◦]), ..items.pos().map(each => item(depth, each))))
#let numbered(depth, start, pattern, ..items) = list-block(depth, enum(
  start: start,
  numbering: pattern,
  ..items.pos().map(each => item(depth, each)),
))
#let code-block(lines) = {
  let style = kinds.code
  // The engine takes four fifths of a size for code; a style sheet's is the size that it says.
  show raw: set text(font: (style.face,) + setup.fallback, size: if setup.is-changed { 1.25em } else { 1em })
  // Lines are broken between words; what has none that is short enough, anywhere.
  let body = layout(size => {
    let most = calc.max(1, calc.floor(size.width / measure(raw("0")).width) - 1)
    show regex("\\S{" + str(most) + ",}"): it => it.text.clusters().join(may-break)
    // Long ones in portions: what goes on over pages costs as much for each page as it is long.
    set block(spacing: par.leading)
    for portion in lines.split("\n").chunks(60) { raw(portion.join("\n"), block: true, theme: none) }
  })
  let ground = (fill: luma(96%), inset: (x: 8pt, y: 6pt), breakable: true)
  if is-drawn(style) { styled-block(style, body, breakable: true) } else if (
    style.indent-start == 0pt and style.indent-end == 0pt
  ) { styled-block(style, body, ..ground) } else {
    styled-block(style, block(width: 100%, ..ground, body), breakable: true)
  }
}
#let separator = align(center, block(above: 1.2em, below: 1.2em, pdf.artifact(line(length: 18%, stroke: 0.5pt + luma(60%)))))
#let other-way(direction, body) = {
  set text(dir: direction)
  par(body)
}

#let caption-lead(body) = strong(body)
#let drawn(hash, width, alt, decorative, limit) = layout(size => {
  let path = "pictures/" + hash
  let natural = measure(image(path))
  // Dots are 1/96 inch wide, as on the screen; no picture is wider than the lines or higher than most of a page.
  let scale = calc.min(
    if width == none { 0.75 } else { size.width / natural.width * width / 100 },
    size.width / natural.width,
    limit / natural.height,
  )
  let drawing = image(path, width: natural.width * scale, alt: if decorative { none } else { alt })
  if decorative { pdf.artifact(drawing) } else { drawing }
})
#let missing-picture(alt) = emph(if alt == "" { words.picture } else { alt })
#let picture(hash, width, alt, decorative, mark, caption) = {
  let body = if hash == none { missing-picture(alt) } else { drawn(hash, width, alt, decorative, setup.room.height * 0.8) }
  figure(
    block(sticky: true, breakable: false, mark + body),
    kind: "picture",
    supplement: none,
    numbering: none,
    outlined: false,
    caption: if caption == [] { none } else { caption },
  )
}
#let inline-picture(hash, width, alt, decorative) = if hash == none { missing-picture(alt) } else {
  // Low enough for any page, landscape or not, with footnotes under it: the engine never ends with a line that leaves them none.
  let limit = calc.min(setup.room.width, setup.room.height) * 0.4
  box(drawn(hash, width, alt, decorative, limit), width: if width == none { auto } else { width * 1% })
}
#let data-table(columns, heads, cells, words, full, repeated, id, landscape, caption) = {
  let body = figure(
    spot("caption", id) + looks(kinds.table-cell, layout(size => fitted(
      size.width,
      columns,
      heads,
      cells,
      words,
      full,
      repeated,
      place(told("in-parts", id: id)),
    ))),
    kind: "data-table",
    supplement: none,
    numbering: none,
    outlined: false,
    caption: if caption == [] { none } else { figure.caption(position: top, caption) },
  )
  if landscape { page(flipped: true, body) } else { body }
}

// A formula on lines of its own that is wider than these: a little smaller, else broken at its signs, else smaller still.
#let within(width, formula) = {
  let natural = measure(formula).width
  if natural <= width { return formula }
  if width / natural > 0.7 { return align(center, shrunk(width, formula)) }
  let flowing = math.equation(block: false, alt: formula.alt, math.display(formula.body))
  block(
    above: 1.1em,
    below: 1.1em,
    if holds(width, flowing) { flowing } else { shrunk(width, formula) },
  )
}

// --- headings ------------------------------------------------------------------------------------------------------

#let LONG-HEADING = 600
#let gap = [#metadata("gap")<gap>]
#let chapter-mark = [#metadata("chapter")<chapter>]
#let head-mark(level, plain) = [#metadata(plain)#label("head-" + str(level))]
// Space above what begins a page is none to the engine; where a style sheet asks for some, it is made.
#let page-top(style) = if style.page-top > 0pt { block(height: style.page-top, above: 0pt, below: 0pt) }
// What stands before a section. With `own-page`, contents follow that stand on a page of their own, heading and all.
#let section-break(level, own-page: false) = {
  if own-page { pagebreak(weak: true) }
  if level == 1 and setup.chapters != "following" {
    gap
    pagebreak(weak: true, to: if setup.chapters == "rightPage" { "odd" })
    page-top(levels.at(0))
  } else if level > 0 and levels.at(level - 1).new-page {
    gap
    pagebreak(weak: true)
    page-top(levels.at(level - 1))
  }
}
// `plain` is what headers say of it; `look`, how the heading looks where that is said by hand.
#let section(id, level, number, body, plain, number-at: none, look: none) = {
  if number-at != none { counter(page).update(number-at) }
  let lead = {
    spot("section", id)
    if level == 1 { chapter-mark }
    if level > 0 and level < 4 { head-mark(level, plain) }
  }
  if level == 0 or (number == "" and body == []) {
    block-spot(lead)
  } else {
    // A heading that would fill most of a page may go on on the next. Nobody reads the supplement, which tells that to the rule by which headings are set.
    heading(level: level, bookmarked: true, supplement: metadata((is-long: plain.len() > LONG-HEADING, look: look)), {
      lead
      // A blank that is one for readers of the outline and of tags, too.
      if number != "" { number; if body != [] { [\u{a0}]; h(0.35em) } }
      body
    })
  }
}

// --- contents ------------------------------------------------------------------------------------------------------

#let line-looks = (
  strong: style => style + (weight: 700),
  regular: style => style + (weight: 400, italic: false),
  italic: style => style + (italic: true),
  small: style => style + (size: style.size * setup.small-lines),
)
// How far a line reaches below the feet of its letters, as `looks` says: what stands in a box is set down by that.
#let BELOW = 0.2em
#let contents-line(id, target, level, look, body, pages) = context {
  let style = contents-levels.at(level - 1)
  if look != "" { style = line-looks.at(look)(style) }
  let location = found-spot(target)
  let line = spot("line", id) + body
  styled-block(style, breakable: false, {
    set par(hanging-indent: 1.5em)
    if location == none { par(line) } else if pages == "none" { par(link(location, line)) } else {
      // The number stands at the end of the last line, however long the words are, in room that they leave free. All of it
      // is one paragraph: contents may hold nothing else.
      let number = page-at(location)
      let room = measure(number).width + 0.4em.to-absolute()
      block(
        width: 100%,
        inset: if setup.right-to-left { (left: room) } else { (right: room) },
        par(
          link(location, line)
            + if pages == "dotted" {
              // Some dots there are in any case, and the last word goes with them. None of them is a word for a voice.
              sym.wj + box(inset: (left: 0.3em), baseline: BELOW, pdf.artifact[.#h(0.15em).#h(0.15em).]) + sym.wj
              box(width: 1fr, inset: (left: 0.15em), baseline: BELOW, repeat(gap: 0.15em, justify: false)[.])
            } else { h(1fr) }
            + link(location, box(width: 0pt, baseline: BELOW, box(width: room, baseline: BELOW, h(1fr) + number))),
        ),
      )
    }
  })
}
// Lines as an outline of the engine, which alone is tagged as contents (TOC and TOCI of ISO 32000): a figure that is never
// seen stands for each line, and the line takes the place of what the outline would say of it.
#let tagged-contents(name, lines, pages) = {
  for index in range(lines.len()) {
    pdf.artifact(place(hide(figure(
      metadata(index),
      kind: name,
      supplement: none,
      numbering: none,
      outlined: true,
      caption: figure.caption([#sym.zws]),
    ))))
  }
  let entry = outline.entry
  show entry: it => {
    let (id, target, level, look, line) = lines.at(it.element.body.value)
    contents-line(id, target, level, look, line, pages)
  }
  outline(title: none, target: figure.where(kind: name))
}
#let contents(id, title, lines, pages, two-columns, shaded, own-page, goes-with-heading, top-level) = {
  if (own-page or (top-level and kinds.contents-title.new-page)) and not goes-with-heading { pagebreak(weak: true) }
  let body = {
    // Where they begin: with the title, which may go to the next page with the first line.
    if title == "" { block-spot(spot("contents", id)) } else {
      styled-block(kinds.contents-title, spot("contents", id) + title, sticky: true)
    }
    let name = "contents-" + id
    if two-columns {
      // Side by side in equal parts as long as they fit on a page, else column after column.
      if lines.len() > 60 { columns(2, tagged-contents(name, lines, pages)) } else {
        let half = calc.quo(lines.len() + 1, 2)
        grid(
          columns: (1fr, 1fr),
          column-gutter: 1.6em,
          tagged-contents(name + "-1", lines.slice(0, half), pages), tagged-contents(name + "-2", lines.slice(half), pages),
        )
      }
    } else if lines.len() > 0 { tagged-contents(name, lines, pages) }
  }
  if shaded { block(width: 100%, fill: luma(95%), inset: 10pt, radius: 2pt, body) } else { body }
  if own-page { pagebreak(weak: true) }
}

// --- pages ---------------------------------------------------------------------------------------------------------

// The pages on which headings of a level begin, once for all pages; then the last one up to a page is looked for.
#let heads-of(level) = query(label("head-" + str(level))).map(it => (it.location().page(), it.value))
#let last-up-to(list, sheet) = {
  let (low, high) = (0, list.len())
  while low < high {
    let middle = calc.quo(low + high, 2)
    if list.at(middle).first() <= sheet { low = middle + 1 } else { high = middle }
  }
  if low == 0 { none } else { list.at(low - 1) }
}
#let chapter-pages() = query(<chapter>).map(it => (it.location().page(),))
#let gap-pages() = query(<gap>).map(it => (it.location().page(),))
#let begins-here(sheet) = {
  let last = last-up-to(chapter-pages(), sheet)
  last != none and last.first() == sheet
}
// A page is left empty so that what follows begins on the right: no text ended on it, and none begins.
#let is-empty(sheet) = {
  let before = last-up-to(gap-pages(), sheet)
  before != none and before.first() == sheet - 1 and not begins-here(sheet) and begins-here(sheet + 1)
}
// The last number of the pages that are numbered as those around a place are: of the roman ones, or of the body.
#let last-like(location) = {
  let front = query(<front-end>)
  let end = query(<end>)
  let is-front = front.len() > 0 and location.page() <= front.first().location().page()
  // Before the pages are laid out once nothing has an end.
  if is-front { page-at(front.first().location()) } else if end.len() > 0 { page-at(end.first().location()) }
}
#let field(name) = {
  let here-page = here().page()
  if name == "page" { page-at(here()) } else if name == "pages" { last-like(here()) } else if name == "sheets" {
    let end = query(<end>)
    if end.len() > 0 { str(end.first().location().page()) }
  } else if name.starts-with("heading") {
    let last = last-up-to(heads-of(int(name.slice(7))), here-page)
    if last != none { last.last() }
  } else { setup.fields.at(name) }
}
#let pieces(parts) = for part in parts { if type(part) == str { part } else { field(part.first()) } }
// What stands over or under a page is one line; what is too long for its place ends with dots.
#let cut-to(width, words) = {
  if words == none or measure(words).width <= width { return words }
  let signs = words.clusters()
  let (low, high) = (0, signs.len())
  while high - low > 1 {
    let middle = calc.quo(low + high, 2)
    if measure(signs.slice(0, middle).join() + "…").width <= width { low = middle } else { high = middle }
  }
  signs.slice(0, low).join("").trim() + "…"
}
#let shares(widths, room) = {
  let all = widths.fold(0pt, (sum, each) => sum + each)
  let even = room / calc.max(1, widths.filter(each => each > 0pt).len())
  if all <= room { widths } else {
    // Who needs less than an even part leaves the rest to the others.
    let modest = widths.filter(each => each <= even)
    let left = room - modest.fold(0pt, (sum, each) => sum + each)
    widths.map(each => if each <= even { each } else { left / (widths.len() - modest.len()) })
  }
}
#let running(which) = context {
  let sheet = here().page()
  let line = if is-empty(sheet) { none } else if begins-here(sheet) { setup.at("first-" + which) } else if (
    setup.two-sided and calc.even(counter(page).get().first())
  ) { setup.at("even-" + which) } else { setup.at(which) }
  if line != none {
    drawn-around(kinds.running-line, looks(kinds.running-line, dressed(kinds.running-line, layout(size => {
      let words = line.map(pieces)
      let gaps = (words.filter(each => each != none).len() - 1) * 1em.to-absolute()
      let widths = shares(words.map(each => measure(each).width), size.width - calc.max(0pt, gaps))
      let (first, middle, last) = widths.map(width => width + 0.2pt)
      // In the middle of the page, unless one of its neighbours reaches too far.
      let has-room = calc.max(first, last) <= (size.width - middle) / 2
      grid(
        columns: if has-room { (1fr, auto, 1fr) } else { (first, 1fr, last) },
        align: (start, center, end),
        ..words.zip(widths).map(((each, width)) => cut-to(width + 0.1pt, each)),
      )
    }))))
  }
}

#let title-lines = for (index, (kind, line)) in setup.title-lines.enumerate() {
  if index == 0 { page-top(kinds.at(kind)) }
  styled-block(kinds.at(kind), by-width(line))
}
#let title-page = {
  if setup.title-page {
    page(header: none, footer: none, numbering: none, {
      v(24%)
      title-lines
    })
    if setup.two-sided {
      page(header: none, footer: none, numbering: none, [])
    }
  } else { title-lines }
}
#let begin-body = {
  [#metadata("front-end")<front-end>]
  gap
  pagebreak(weak: true, to: if setup.two-sided or setup.chapters == "rightPage" { "odd" })
}

// Tells what is printed on each sheet.
#let sheet-mark = place([#metadata(("sheet", ""))<sheet>])

#let book(body) = {
  set document(title: setup.title, author: setup.authors, date: auto)
  set page(
    width: setup.width,
    height: setup.height,
    margin: setup.margin,
    binding: if setup.right-to-left { right } else { left },
    header: running("header"),
    footer: running("footer"),
    numbering: setup.numbering,
    background: sheet-mark,
  )
  set text(lang: setup.lang, region: setup.region, dir: if setup.right-to-left { rtl } else { ltr })
  set strong(delta: 250)
  set list(indent: 1em, body-indent: 0.6em)
  set enum(indent: 1em, body-indent: 0.6em)
  show list: set par(first-line-indent: 0pt, hanging-indent: 0pt)
  show enum: set par(first-line-indent: 0pt, hanging-indent: 0pt)
  show quote: set pad(x: 0pt)
  show quote: set block(above: 0pt, below: 0pt)
  show math.equation.where(block: true): set block(
    above: 1.1em + kinds.formula.before,
    below: 1.1em + kinds.formula.after,
  )
  show math.equation.where(block: true): set text(
    size: kinds.formula.size,
    fill: if kinds.formula.colour == none { black } else { rgb(kinds.formula.colour) },
  )
  show math.equation.where(block: true): it => layout(size => within(size.width, it))
  // What the house styles leave below a note, 2 points, is part of the gap between two.
  set footnote.entry(separator: line(length: 18%, stroke: 0.4pt + luma(50%)), gap: 0.4em + kinds.footnote.after - 2pt)
  show footnote.entry: it => drawn-around(kinds.footnote, looks(kinds.footnote, dressed(kinds.footnote, it)))
  show raw: set par(justify: false, first-line-indent: 0pt)
  show heading: it => {
    let (is-long, look) = it.supplement.value
    let style = if look == none { levels.at(calc.min(it.level, 9) - 1) } else { look }
    styled-block(
      style,
      by-width(it.body),
      breakable: is-long or not style.keep-together,
      sticky: not is-long and style.keep-with-next,
    )
  }
  show figure: set block(breakable: true)
  // The room between a caption and what it belongs to is the figure's; what a style sheet says otherwise is put to that.
  show figure.caption: it => pad(top: kinds.caption.before-shift, bottom: kinds.caption.after-shift, styled-block(
    kinds.caption,
    it.body,
    sticky: it.position == top or kinds.caption.keep-with-next,
  ))
  show figure: it => block(above: 1.2em, below: 1.2em, it)
  show: it => looks(kinds.body, it)
  body
}
// The pages of all places, as an entry of a dictionary, which is none of them itself: kind, id, sheet from 1 on, printed number, how far down in points.
#let page-map = context {
  let found = query(metadata).filter(it => type(it.value) == array).map(it => {
    let location = it.location()
    let is-bare = location.page-numbering() == none or (it.value.first() == "sheet" and is-empty(location.page()))
    let label = if is-bare { "" } else { page-at(location) }
    it.value + (location.page(), label, location.position().y.pt())
  })
  [#metadata((spots: found))<pages>#metadata(none)<end>]
}
