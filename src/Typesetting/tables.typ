// How a table gets onto a page. Columns are as wide as what stands in them asks for (CSS 2.2, 17.5.2.2, “Automatic table
// layout”); where that is too much, letters become smaller and words are hyphenated, by turns and down to a floor, and
// what is too wide even so goes on in parts below each other. No word ever leaves its column.
#import "look.typ": kinds, setup
#import "looks.typ": in-cell, in-head

// A place where a word may be broken without a hyphen; the engine passes over spaces of no width at all.
#let may-break = h(0.001pt)

// Whether words can be set in a column: no line of it is as wide as the column, which is what a line too wide is cut to.
// A line that is just as wide is known by the next try.
#let holds(width, body) = (0pt, 0.3pt).any(less => measure(width: width - less, body).width < width - less - 0.05pt)
// A word that is wider than its column: by the rules of its language, or where it must be.
#let broken(width, word) = {
  // Scripts without blanks between words: the engine itself knows where their lines may end.
  if word.contains(regex("[\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}\p{Han}\p{Hiragana}\p{Katakana}]")) { return word }
  let hyphenated = text(hyphenate: true, word)
  if holds(width, hyphenated) { return hyphenated }
  let signs = word.clusters()
  if word.contains(regex("^\p{L}+$")) { signs.join("\u{ad}") } else { signs.join(may-break) }
}
// No letter is much wider than high, so that short words need not be measured.
#let breaking(width, body) = context {
  let least = calc.max(2, calc.floor(width / (text.size * 1.05)))
  show regex("[^\s\p{Z}]{" + str(least) + ",}"): it => context if measure(it.text).width < width { it } else { broken(width, it.text) }
  body
}
// A formula cannot be broken well: it is set smaller.
#let shrunk(width, body) = {
  let natural = measure(body).width
  if natural <= width { body } else {
    let share = width / natural * 100%
    if share < 50% [#metadata(("small-formula", ""))]
    box(scale(x: share, y: share, reflow: true, origin: top + start, body))
  }
}

#let floor-size = 6pt
#let padding(share) = if share < 0.75 { 2pt } else { 5pt * share }
#let total(list) = list.fold(0pt, (sum, each) => sum + each)

// What each column needs at the full size of letters: for its widest word, whole (`whole`) and hyphenated (`least`), and
// for its fullest cell on one line (`natural`). `words` are (column, columns, content), `full` are (column, content).
#let needs(columns, words, full, least: false) = {
  let need-of(word) = {
    let whole = measure(word).width
    if not least { return whole }
    let hyphenated = text(hyphenate: true, word)
    let (low, high) = (0pt, whole + 0.1pt)
    while high - low > 3pt {
      let middle = (low + high) / 2
      if holds(middle, hyphenated) { high = middle } else { low = middle }
    }
    high
  }
  let found = (0pt,) * columns
  for (column, span, word) in words {
    if span == 1 { found.at(column) = calc.max(found.at(column), need-of(word)) }
  }
  // A cell over several columns takes what they have, and of the last what lacks.
  for (column, span, word) in words {
    if span > 1 {
      let lacking = need-of(word) - total(found.slice(column, column + span))
      if lacking > 0pt { found.at(column + span - 1) += lacking }
    }
  }
  for (column, content) in full { found.at(column) = calc.max(found.at(column), measure(content).width) }
  found
}

// What is left over goes to the columns by what they lack for one line.
#let spread(room, least, natural) = {
  let left = room - total(least)
  let lacks = least.zip(natural).map(((low, high)) => calc.max(0pt, high - low))
  let all = total(lacks)
  if all == 0pt { least } else { least.zip(lacks).map(((low, lack)) => low + calc.min(lack, calc.max(0pt, left) * (lack / all))) }
}

// Runs of columns that fit beside each other, as (begin, end); `repeated` says that the first stands before each.
#let parts-of(room, widths, repeated) = {
  let parts = ()
  let begin = 0
  let used = 0pt
  for (column, width) in widths.enumerate() {
    if column > begin and used + width > room {
      parts.push((begin, column))
      begin = column
      used = if repeated { widths.first() } else { 0pt }
    }
    used += width
  }
  parts.push((begin, widths.len()))
  parts
}

// How a table is set in a width: the share of its letters' size, the columns of each part, and whether its words must be broken.
#let plan(room, columns, words, full, repeated) = {
  let size = kinds.table-cell.size
  let natural = needs(columns, (), full)
  let whole = needs(columns, words, ())
  let natural = natural.zip(whole).map(((one, other)) => calc.min(room, calc.max(one, other)))
  let pads(share) = padding(share) * 2 * columns
  if total(natural) * 1.04 + pads(1) <= room {
    return (share: 1, parts: ((0, columns, (auto,) * columns),), isTight: false)
  }
  let floor = calc.min(1, floor-size / size)
  let shares = (1, 0.9, 0.8, floor).dedup().filter(share => share >= floor)
  let least = none
  for share in shares {
    for hyphenates in (false, true) {
      if hyphenates and share == 1 and floor < 1 { continue }
      if hyphenates and least == none { least = needs(columns, words, (), least: true) }
      let low = (if hyphenates { least } else { whole }).map(each => each * share + padding(share) * 2)
      if total(low) <= room {
        let high = natural.map(each => each * share + padding(share) * 2)
        return (share: share, parts: ((0, columns, spread(room, low, high)),), isTight: true)
      }
    }
  }
  let share = calc.max(floor, 0.8)
  let pad = padding(share) * 2
  // Where there are several parts in any case, words are hyphenated only where they are long.
  let eased = least.zip(whole).map(((low, high)) => calc.max(low, calc.min(high, size * 7)) * share + pad)
  // Not even half of the room for the column that is repeated, so that another one stands beside it.
  let first = calc.min(room * 0.4, eased.first())
  let repeated = repeated and columns > 2
  let beside = room - if repeated { first } else { 0pt }
  let low = eased.map(each => calc.min(beside, each))
  if repeated { low.first() = first }
  let parts = parts-of(room, low, repeated).map(((begin, end)) => {
    let own = low.slice(begin, end)
    let high = natural.slice(begin, end).map(each => calc.min(room, each * share + pad))
    if repeated and begin > 0 {
      own.insert(0, first)
      high.insert(0, first)
    }
    (begin, end, spread(room, own, high))
  })
  (share: share, parts: parts, isTight: true)
}

// The cells of a part of the columns; a cell that begins to the left of it is empty there.
#let cells-of(cells, begin, end, widths, shift, pad, isTight) = {
  let made = ()
  for cell in cells {
    let is-repeated = shift == 1 and cell.x == 0
    let from = calc.max(cell.x, begin)
    let to = calc.min(cell.x + cell.columns, end)
    if to <= from and not is-repeated { continue }
    let (x, columns) = if is-repeated { (0, 1) } else { (from - begin + shift, to - from) }
    let room = if isTight { total(widths.slice(x, x + columns)) - pad * 2 }
    let body = if not is-repeated and cell.x < begin { [] } else if cell.header { in-head(cell.body) } else { in-cell(cell.body) }
    if isTight {
      body = {
        show math.equation: it => shrunk(room, it)
        breaking(room, body)
      }
    }
    made.push(table.cell(x: x, y: cell.y, colspan: columns, rowspan: cell.rows, align: cell.align + top, body))
  }
  made
}

#let fitted-lines(room, columns, heads, cells, words, full, repeated, told) = {
  let (share, parts, isTight) = plan(room, columns, words, full, repeated)
  if parts.len() > 1 { told }
  set text(size: share * 1em, hyphenate: isTight)
  set par(leading: (kinds.table-cell.pitch - kinds.table-cell.size) * share)
  for (index, (begin, end, widths)) in parts.enumerate() {
    let shift = if index > 0 and repeated and columns > 2 { 1 } else { 0 }
    let pad = padding(share)
    let made(from) = cells-of(cells.filter(from), begin, end, widths, shift, pad, isTight)
    let head = made(cell => cell.y < heads)
    let printed(..options) = table(
      columns: widths,
      stroke: (x, y) => (bottom: 0.4pt + luma(55%), top: if y == 0 { 0.8pt } else { none }),
      fill: (x, y) => {
        let style = if y < heads { kinds.table-head } else { kinds.table-cell }
        if style.ground != none { rgb(style.ground) }
      },
      inset: (x: pad, y: 3.5pt * share),
      ..options,
    )
    // A head that would take much of each page is printed once; one that may be higher than a page must be broken as rows are.
    let height = if head.len() > 0 { measure(width: room, printed(..head)).height } else { 0pt }
    let is-head = head.len() > 0 and height < setup.room.width * 0.6
    let repeats = height < setup.room.height * 0.3
    let whole = printed(
      ..if is-head { (table.header(repeat: repeats, ..head),) } else { head },
      ..made(cell => cell.y >= heads),
    )
    // A short part stays together.
    let breaks = parts.len() == 1 or cells.len() > 400 or measure(width: room, whole).height > setup.room.height * 0.3
    block(above: if index == 0 { 0pt } else { 1em }, below: 0pt, breakable: breaks, whole)
  }
}

// `cells` are (x, y, columns, rows, header, align, body); `heads` is how many of the first rows stand above the others on each page.
#let fitted(room, columns, heads, cells, words, full, repeated, told) = {
  // Lines that are stretched would measure as wide as their column.
  set par(justify: false, first-line-indent: 0pt)
  context fitted-lines(room, columns, heads, cells, words, full, repeated, told)
}
