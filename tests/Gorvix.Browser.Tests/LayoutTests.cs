namespace Gorvix.Browser.Tests;

/// <summary>
/// At each width that is promised: nothing runs over the side of the page, no words run out of their box or into each other,
/// and no short word is broken.
/// </summary>
public class LayoutTests
{
    private static readonly string[] Paths =
    [
        "/",
        "/new",
        "/library",
        "/library/boards/thornwick-pawl-f7-r2",
        "/library/devices/brindlow-beacon-d6",
        "/library/compare?device=brindlow-beacon-d4&device=brindlow-beacon-d6&device=brindlow-lantern-60",
        "/library/boards/thornwick-lever-f4-r3/change",
        "/library/devices/new",
        "/library/devices/corvane-sedge-3/change",
        "/take-in",
        "/builds/rim-walk-rook/parts",
        "/builds/haul-road-heron/fit",
        "/builds/spoil-tip-owl/fit",
        "/builds/spoil-tip-owl/rails",
        "/builds/crusher-house-lark/loom",
        "/builds/crusher-house-lark/loom?view=picture&at=joint%20receiver%20sbus",
        "/builds/rim-walk-rook/settings",
        "/builds/rim-walk-rook/settings?part=read",
        "/builds/rim-walk-rook/settings?part=gnss",
        "/builds/rim-walk-rook/settings?part=compass",
        "/builds/rim-walk-rook/settings?part=form",
        "/builds/rim-walk-rook/bench",
        "/builds/rim-walk-rook/faults",
        "/drill",
        "/builds/rim-walk-rook/bench?large=1&at=power.limited",
        "/builds/north-face-hare/log",
        "/club",
        "/builds/spoil-tip-owl/sweep",
        "/rules/POL",
        "/glossary",
        "/builds/rim-walk-rook/loom",
    ];

    // Words of one line in one box: where they are on the page, cut by whatever scrolls round them.
    private const string Look = """
        const faults = []
        const page = document.documentElement
        if (page.scrollWidth > page.clientWidth) faults.push(`the page is ${page.scrollWidth} wide`)
        const texts = []
        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
        const range = document.createRange()
        const shows = (e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true })
        const aside = (e) => e.closest('.visually-hidden, .v-overlay, svg, title, script, style, .v-field__input, .v-skeleton-loader')
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
          const parent = node.parentElement
          if (!node.data.trim() || !parent || aside(parent) || !shows(parent)) continue
          range.selectNodeContents(node)
          for (const match of node.data.matchAll(/[^\s·\-\/–]+/g)) {
            range.setStart(node, match.index)
            range.setEnd(node, match.index + match[0].length)
            const boxes = [...range.getClientRects()].filter((b) => b.width > 0)
            if (boxes.length > 1 && match[0].length <= 16 && new Set(boxes.map((b) => Math.round(b.top))).size > 1)
              faults.push(`“${match[0]}” is broken`)
            for (const box of boxes) texts.push({ node, parent, box, word: match[0] })
          }
        }
        // What is round a word is round many: asked for once.
        const known = new Map()
        const of = (e) => {
          let is = known.get(e)
          if (!is) {
            const s = getComputedStyle(e)
            is = {
              own: e.getBoundingClientRect(),
              // Those have no box that anything could run out of.
              boxless: ['inline', 'contents'].includes(s.display),
              scrolls: /auto|scroll|hidden|clip/.test(s.overflowX + s.overflowY),
              layer: s.position === 'fixed' || s.position === 'sticky',
            }
            known.set(e, is)
          }
          return is
        }
        for (const t of texts) {
          let box = t.box
          for (let e = t.parent; e && e !== document.body; e = e.parentElement) {
            const { own, boxless, scrolls, layer } = of(e)
            if (boxless) continue
            if (scrolls) {
              const left = Math.max(box.left, own.left), right = Math.min(box.right, own.right)
              const top = Math.max(box.top, own.top), bottom = Math.min(box.bottom, own.bottom)
              t.hidden = right - left < 2 || bottom - top < 2
              box = { left, right, top, bottom }
              if (t.hidden) break
            } else if (box.left < own.left - 4 || box.right > own.right + 4) {
              faults.push(`“${t.word}” runs out of <${e.tagName.toLowerCase()} class="${e.className}">`)
              break
            }
            if (layer) t.layer = e
          }
          t.box = box
        }
        // From the top down: what begins below the end of a word does not overlap it.
        const seen = texts.filter((t) => !t.hidden).sort((a, b) => a.box.top - b.box.top)
        for (let i = 0; i < seen.length; i++)
          for (let j = i + 1; j < seen.length; j++) {
            const a = seen[i], b = seen[j]
            if (b.box.top >= a.box.bottom) break
            if (a.node === b.node || a.layer !== b.layer) continue
            const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left)
            const high = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top)
            if (wide > 2 && high > 7) faults.push(`“${a.word}” and “${b.word}” overlap`)
          }
        return [...new Set(faults)].slice(0, 12).join('\n')
        """;

    public static TheoryData<string> Views => [.. Paths];

    [Theory]
    [MemberData(nameof(Views))]
    public async Task Words_stay_in_their_boxes_and_apart(string path)
    {
        await using var page = await Page.Read(path, height: 900);
        // 640 is 1280 at twice the size.
        foreach (var width in new[] { 1280, 1024, 768, 640 })
        {
            page.Resize(width, 900);
            page.Settles();
            Assert.Equal((width, ""), (width, page.Run(Look)));
        }
        // On a phone nothing is pushed off to the side.
        page.Resize(390, 844);
        page.Settles();
        Assert.Equal(390L, page.Run("return document.documentElement.scrollWidth"));
    }

    [Fact]
    public async Task At_twice_the_size_everything_is_still_there_without_scrolling_sideways()
    {
        // 200 % on 1280 is a page of 640.
        await using var page = await Page.Read("/builds/spoil-tip-owl/parts", width: 640, height: 400);
        page.Settles();
        Assert.Equal(640L, page.Run("return document.documentElement.scrollWidth"));
        page.Go("/builds/spoil-tip-owl/fit");
        page.Settles();
        Assert.Equal(640L, page.Run("return document.documentElement.scrollWidth"));
    }

    [Fact]
    public async Task The_look_sees_words_that_overlap_break_or_run_out()
    {
        await using var page = await Page.Read("/rules/POL");
        page.Settles();
        Assert.Equal("", page.Run(Look));
        page.Run(
            """
            // The page's own policy lets no style in by mark-up.
            const put = (tag, into, text, style) => {
              const made = document.createElement(tag)
              made.textContent = text
              Object.assign(made.style, style)
              into.append(made)
              return made
            }
            const main = document.querySelector('main')
            const under = put('p', main, 'under', { position: 'relative', width: '300px' })
            put('span', under, 'over', { position: 'absolute', left: 0 })
            put('span', under, 'lower', { position: 'absolute', left: 0, top: '6px' })
            put('p', main, 'breaking', { width: '20px', overflowWrap: 'anywhere' })
            put('p', main, 'running', { width: '20px', whiteSpace: 'nowrap', overflowWrap: 'normal' })
            """
        );
        var faults = (string)page.Run(Look)!;
        Assert.Contains("“under” and “over” overlap", faults);
        Assert.Contains("“under” and “lower” overlap", faults);
        Assert.Contains("“breaking” is broken", faults);
        Assert.Contains("“running” runs out", faults);
    }
}
