using System.Collections;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Before you buy: the same wishes on every board, and with every device of a kind.</summary>
public class SweepTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Every_board_gets_the_plan_that_it_would_get_alone_and_the_best_comes_first()
    {
        var results = await Sweep.OverBoards(Demo.NorthFaceHare, Demo.Library).ToListAsync(Stop);
        Assert.Equal(Demo.Library.Boards.Select(b => b.Id), results.Select(r => r.Part));
        Assert.All(
            results,
            r => Assert.Equal(BuildEdits.WithBoard(Demo.NorthFaceHare, r.Part).Plan().Cost, r.Plan!.Cost)
        );
        var ranked = (await SweepReader.Boards(Demo.NorthFaceHare, Demo.Library).ToListAsync(Stop)).OrderBy(
            l => l.Rank,
            StringComparer.Ordinal
        );
        var fitting = ranked
            .Where(l => !l.Verdict.Contains("V but gets"))
            .Select(l => results.Single(r => r.Part == l.Part));
        var costs = fitting.Select(r => r.Plan!.Cost).ToList();
        Assert.Equal(10, costs.Count);
        Assert.Equal(costs.Order(), costs);
    }

    [Fact]
    public async Task Every_receiver_is_tried_and_one_that_lacks_a_link_says_so()
    {
        var lines = await SweepReader.Devices(Demo.HaulRoadHeron, "receiver", Demo.Library).ToListAsync(Stop);
        Assert.Equal(
            Demo.Library.Devices.Where(d => d.Kind == DeviceKind.Receiver).Select(d => d.Id),
            lines.Select(l => l.Part)
        );
        Assert.Equal("It does not support your links.", lines.Single(l => l.Part == "corvane-sedge-2").Verdict);
        var now = Assert.Single(lines, l => l.Now);
        Assert.Equal(("dunmerrow-relay-16", "All 5 links connected."), (now.Part, now.Verdict));
    }

    [Fact]
    public async Task A_board_that_the_battery_would_destroy_ranks_last_and_says_so()
    {
        var lines = (await SweepReader.Boards(Demo.HaulRoadHeron, Demo.Library).ToListAsync(Stop))
            .OrderBy(l => l.Rank, StringComparer.Ordinal)
            .ToList();
        Assert.Equal("All 5 links connected.", lines[0].Verdict);
        var mote = lines.Single(l => l.Part == Demo.Mote);
        Assert.StartsWith("Problem: Mote F1 needs 4.5–5.5 V but gets 25.2 V (full battery).", mote.Verdict);
        Assert.Equal(Severity.Stop, mote.Severity);
        Assert.All(
            lines.Where(l => !l.Verdict.Contains("V but gets")),
            l => Assert.True(lines.IndexOf(l) < lines.IndexOf(mote))
        );
    }

    [Fact]
    public async Task A_board_that_contradicts_itself_is_a_line_and_not_an_end()
    {
        var broken = Demo.Library.Boards[0] with { Id = "broken", Nets = [] };
        var library = Demo.Library with { Boards = [broken, .. Demo.Library.Boards] };
        var lines = await SweepReader.Boards(Demo.NorthFaceHare, library).ToListAsync(Stop);
        Assert.Equal(library.Boards.Count, lines.Count);
        Assert.StartsWith("board.ports[0].rx names net", lines[0].Verdict);
    }

    [Fact]
    public async Task A_reader_who_has_seen_enough_ends_the_sweep_long_before_its_last_candidate()
    {
        var boards = new Counted([
            .. Enumerable.Range(0, 500).Select(i => Demo.Library.Boards[0] with { Id = $"b{i}" }),
        ]);
        var build = BuildEdits.WithBoard(Demo.NorthFaceHare, "b0");
        await foreach (var result in Sweep.OverBoards(build, Demo.Library with { Boards = boards }, Stop))
        {
            Assert.Equal("b0", result.Part);
            break;
        }

        // A few are begun ahead of the reader, and no more.
        Assert.InRange(boards.Taken, 1, (8 * Environment.ProcessorCount) + 2);
    }

    // Counts how far the first of its readers came: the sweep itself. Every candidate that is planned reads it once more.
    private sealed class Counted(IReadOnlyList<Board> boards) : IReadOnlyList<Board>
    {
        private int _readers;

        public int Taken { get; private set; }

        public int Count => boards.Count;

        public Board this[int index] => boards[index];

        public IEnumerator<Board> GetEnumerator() =>
            Interlocked.Increment(ref _readers) == 1 ? Counting() : boards.GetEnumerator();

        IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

        private IEnumerator<Board> Counting()
        {
            foreach (var board in boards)
            {
                Taken++;
                yield return board;
            }
        }
    }
}
