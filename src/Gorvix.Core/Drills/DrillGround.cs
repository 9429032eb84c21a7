using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;
using Gorvix.Core.Builds;
using Gorvix.Core.Faults;
using Gorvix.Core.Fit;
using Gorvix.Core.Leaflets;
using Gorvix.Core.Planning;
using Gorvix.Core.Settings;
using Gorvix.Core.Words;

namespace Gorvix.Core.Drills;

/// <summary>A build to practise on: planned, with its faults and questions, each made when it is first asked for.</summary>
public sealed class DrillGround
{
    private readonly Lazy<(FaultTable Table, FaultReader Words)> _faults;
    private readonly Lazy<IReadOnlyList<Card>> _labels;
    private readonly Lazy<IReadOnlyList<Card>> _burns;
    private readonly IReadOnlyDictionary<string, string> _pads;

    /// <summary>Plans a build to practise on.</summary>
    /// <param name="build">The build.</param>
    /// <param name="today">The day, for what the sky says.</param>
    /// <param name="stop">Tells that nobody waits for the plan any more.</param>
    public DrillGround(ResolvedBuild build, DateOnly today, CancellationToken stop = default)
    {
        Reader = new FitReader(build, Effort.Quick, stop);
        Sheet = Reader.Sheet();
        // Who plays later waits for himself.
        Reader = Reader.Until(CancellationToken.None);
        var wired = Reader.Wired;
        _faults = new(() =>
        {
            var table = FaultTable.Of(wired);
            return (table, new FaultReader(table, wired, SettingsReader.Of(wired, today)));
        });
        _labels = new(() => [.. new LabelCards(build, Sheet).All()]);
        _burns = new(() => [.. new BurnCards(wired).All()]);
        _pads = build.Board.Pads.ToDictionary(p => p.Id, p => WireWords.Of(build.Circuit, p));
        // Where a pad leads is what is asked.
        Face = Sheet.Face with
        {
            Pads = [.. Sheet.Face.Pads.Select(p => p with { Ports = [], Words = _pads[p.Id], Doubt = null })],
            Bridges = [.. Sheet.Face.Bridges.Select(b => b with { Words = $"bridge {b.Id}" })],
        };
    }

    /// <summary>The build, planned.</summary>
    public FitReader Reader { get; }

    /// <summary>Its sheet.</summary>
    public FitSheet Sheet { get; }

    /// <summary>The board as it lies on the bench, without a word of where its pads lead.</summary>
    public BoardFace Face { get; }

    /// <summary>All questions about labels or about supplies.</summary>
    internal IReadOnlyList<Card> Deck(DrillKind kind) => kind == DrillKind.Burn ? _burns.Value : _labels.Value;

    /// <summary>Its faults.</summary>
    internal FaultTable Faults => _faults.Value.Table;

    /// <summary>A drill on it; null where it has nothing of what is ordered.</summary>
    /// <param name="order">An order that nothing stands against by itself.</param>
    public IDrill? Drill(DrillOrder order) =>
        order.Kind switch
        {
            DrillKind.Fault => FaultDrill.Of(_faults.Value.Table, _faults.Value.Words, order),
            DrillKind.Place => PlaceDrill.Of(Reader, Sheet, order),
            _ => CardDrill.Of(Deck(order.Kind), order, _pads),
        };

    /// <summary>Those of some cards that can be asked here.</summary>
    /// <param name="kind">The kind of drill.</param>
    /// <param name="cards">Ids of cards.</param>
    public IReadOnlyList<string> Askable(DrillKind kind, IEnumerable<string> cards)
    {
        var there = kind switch
        {
            DrillKind.Fault => _faults
                .Value.Table.Singles.SelectMany(s => s.Faults)
                .Select(f => $"{f.Kind}")
                .ToHashSet(),
            DrillKind.Place => Sheet.Links.Select(l => l.Id).ToHashSet(),
            _ => Deck(kind).Select(c => c.Id).ToHashSet(),
        };
        return [.. cards.Where(there.Contains)];
    }
}

/// <summary>What decks have in common.</summary>
internal static class Cards
{
    /// <summary>Dice for what is drawn once for a card, whoever asks it.</summary>
    public static Dice DiceOf(string card) =>
        new(BinaryPrimitives.ReadUInt64LittleEndian(SHA256.HashData(Encoding.UTF8.GetBytes(card))));
}
