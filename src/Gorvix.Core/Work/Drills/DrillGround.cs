using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Work.Drills;

/// <summary>A build to practise on: planned, with its faults and questions, each made when it is first asked for.</summary>
public sealed class DrillGround
{
    private readonly Lock _lock = new();
    private readonly DateOnly _today;
    private readonly ResolvedBuild _build;
    private (FaultTable Table, FaultReader Words)? _faults;
    private IReadOnlyList<Card>? _labels;
    private IReadOnlyList<Card>? _burns;
    private readonly IReadOnlyDictionary<string, string> _pads;

    /// <summary>Plans a build to practise on.</summary>
    /// <param name="build">The build.</param>
    /// <param name="today">The day, for what the sky says.</param>
    /// <param name="stop">Tells that nobody waits for the plan any more.</param>
    public DrillGround(ResolvedBuild build, DateOnly today, CancellationToken stop = default)
    {
        (_build, _today) = (build, today);
        Reader = new FitReader(build, Effort.Quick, stop);
        Sheet = Reader.Sheet();
        // Who plays later waits for himself.
        Reader = Reader.Until(CancellationToken.None);
        _pads = build.Board.Pads.ToDictionary(p => p.Id, p => WireWords.Of(build.Circuit, p));
        // Where a pad leads is what is asked.
        Face = Sheet.Face with
        {
            Pads = [.. Sheet.Face.Pads.Select(p => p with { Ports = [], Words = _pads[p.Id], Doubt = null })],
            Bridges = [.. Sheet.Face.Bridges.Select(b => b with { Words = $"jumper {b.Id}" })],
        };
    }

    /// <summary>The build, planned.</summary>
    public FitReader Reader { get; }

    /// <summary>Its sheet.</summary>
    public FitSheet Sheet { get; }

    /// <summary>The board as it lies on the bench, without a word of where its pads lead.</summary>
    public BoardFace Face { get; }

    /// <summary>All questions about labels or about supplies; made once, and begun anew after somebody who left.</summary>
    internal IReadOnlyList<Card> Deck(DrillKind kind, CancellationToken stop = default)
    {
        lock (_lock)
        {
            return kind == DrillKind.Burn
                ? _burns ??= Whole(new BurnCards(Reader.Wired).All(), stop)
                : _labels ??= Whole(new LabelCards(_build, Sheet).All(), stop);
        }
    }

    /// <summary>Its faults.</summary>
    internal FaultTable Faults => FaultsIn(default).Table;

    private (FaultTable Table, FaultReader Words) FaultsIn(CancellationToken stop)
    {
        lock (_lock)
        {
            if (_faults is { } made)
            {
                return made;
            }
            var table = FaultTable.Of(Reader.Wired, null, stop);
            var words = new FaultReader(table, Reader.Wired, SettingsReader.Of(Reader.Wired, _today));
            return (_faults = (table, words)).Value;
        }
    }

    private static List<Card> Whole(IEnumerable<Card> cards, CancellationToken stop)
    {
        var list = new List<Card>();
        foreach (var card in cards)
        {
            stop.ThrowIfCancellationRequested();
            list.Add(card);
        }
        return list;
    }

    /// <summary>A drill on it; null where it has nothing of what is ordered.</summary>
    /// <param name="order">An order that nothing stands against by itself.</param>
    /// <param name="stop">Tells that nobody waits for it any more; what is placed is judged under it too.</param>
    public IDrill? Drill(DrillOrder order, CancellationToken stop = default)
    {
        switch (order.Kind)
        {
            case DrillKind.Fault:
                var (table, words) = FaultsIn(stop);
                return FaultDrill.Of(table, words, order);
            case DrillKind.Place:
                return PlaceDrill.Of(Reader.Until(stop), Sheet, order);
            default:
                return CardDrill.Of(Deck(order.Kind, stop), order, _pads);
        }
    }

    /// <summary>Those of some cards that can be asked here.</summary>
    /// <param name="kind">The kind of drill.</param>
    /// <param name="cards">Ids of cards.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    public IReadOnlyList<string> Askable(DrillKind kind, IEnumerable<string> cards, CancellationToken stop = default)
    {
        var there = kind switch
        {
            DrillKind.Fault => FaultsIn(stop)
                .Table.Singles.SelectMany(s => s.Faults)
                .Select(f => $"{f.Kind}")
                .ToHashSet(),
            DrillKind.Place => Sheet.Links.Select(l => l.Id).ToHashSet(),
            _ => Deck(kind, stop).Select(c => c.Id).ToHashSet(),
        };
        return [.. cards.Where(there.Contains)];
    }
}

/// <summary>What decks have in common.</summary>
internal static class Cards
{
    /// <summary>Dice for what is drawn once for a card, whoever asks it.</summary>
    public static SeededRandom DiceOf(string card) =>
        new(BinaryPrimitives.ReadUInt64LittleEndian(SHA256.HashData(Encoding.UTF8.GetBytes(card))));
}
