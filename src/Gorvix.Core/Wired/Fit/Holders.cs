using System.Globalization;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>Who stands in the way of something that a plan has not chosen, and with what: ports, pads, bridges, sockets, addresses, jobs.</summary>
internal sealed class Holders(ResolvedBuild build, Plan plan)
{
    // More would not be read.
    private const int Few = 3;

    // Ways of one port beyond these differ in pads only.
    private const int MostAsked = 16;

    private readonly List<Hookup> _chosen = [.. plan.Chosen];

    /// <summary>Who holds what a hookup would need, one clause each: "position has pad T4"; empty when nothing stands in its way.</summary>
    /// <param name="wanted">A hookup that the plan has not chosen.</param>
    /// <param name="own">Id of its device, whose own other decisions are no rivals.</param>
    /// <param name="here">The port that is spoken of already, which is then called "it"; null where none is.</param>
    public IReadOnlyList<string> Against(Hookup wanted, string own, Port? here = null) =>
        [
            .. Rivals(wanted, own, here)
                .GroupBy(r => r.Who, r => r.What)
                .Select(g => $"{g.Key} {Phrase.Join([.. g.Distinct().Take(Few)])}")
                .Concat(Overloaded(wanted))
                .Take(Few),
        ];

    // What would have to give more than it can.
    private IEnumerable<string> Overloaded(Hookup wanted) =>
        from draw in (wanted as Feed)?.Draws ?? []
        let drawn = draw.Typical + plan.Drawn(draw.Budget).Typical
        where drawn > draw.Budget.Limit
        select Sentences.IsLimitedToAndWould(
            draw.Budget.Label,
            PlainWords.Amperes(draw.Budget.Limit / 1000.0),
            PlainWords.Amperes(drawn / 1000.0)
        );

    /// <summary>The clauses against whichever of several hookups has the fewest rivals.</summary>
    public IReadOnlyList<string> AgainstBest(IEnumerable<Hookup> wanted, string own, Port? here = null) =>
        wanted.Take(MostAsked).Select(w => Against(w, own, here)).OrderBy(c => c.Count).FirstOrDefault() ?? [];

    private IEnumerable<(string Who, string What)> Rivals(Hookup wanted, string own, Port? here)
    {
        foreach (var chosen in _chosen.Where(c => !ReferenceEquals(c, wanted)))
        {
            // What the same device decides with the link is no rival of it, unless it is another link.
            if (chosen.DeviceId == own && chosen is not Route)
            {
                continue;
            }
            var fights = wanted.Claims.FightsWith(chosen.Claims).ToList();
            // Where a job is given away the port does not matter, and who has the whole port has its pads too.
            var first =
                fights.FirstOrDefault(f => f is { Thing.Kind: ThingKind.Job } or { Theirs: JobHold })
                ?? fights.FirstOrDefault(f =>
                    f is { Thing.Kind: ThingKind.Port } or { Theirs: UseHold { Kind: HoldKind.Port } }
                );
            foreach (var what in (first is null ? fights : [first]).Select(f => What(f, here)).OfType<string>())
            {
                yield return (NameOf(chosen), what);
            }
        }
    }

    private string NameOf(Hookup hookup) =>
        hookup switch
        {
            Route route => FitWords.Short(route.Link, build),
            Feed feed => $"the {Name(feed.Device)} supply",
            _ => $"the {Name(hookup.DeviceId!)} plug",
        };

    private string Name(string device) => build.Devices.First(d => d.Id == device).Device.Name;

    private string? What(Fight fight, Port? here) =>
        fight.Thing is { } thing
            ? thing.Kind switch
            {
                ThingKind.Port => PortWord(thing.Name, here),
                ThingKind.Half or ThingKind.Net => $"uses {Pads(thing.Name)}",
                ThingKind.Address => Sentences.AlreadyUsesAddressOn(AddressWords(thing.Name), thing.Owner),
                ThingKind.Job => Sentences.AlreadyHasTheBoardsOnly(JobWords(thing.Name)),
                ThingKind.Lead => Sentences.UsesTheSameLead,
                _ => Sentences.NeedsTheSamePlugPin,
            }
            : fight.Theirs switch
            {
                BridgeHold b => Sentences.NeedsJumperAt(b.Bridge.Id, b.Position),
                NetHold n => $"uses {Pads(n.Net)} for {Port.NameOf(n.Port)}",
                UserHold u => Sentences.IsOn(Pads(u.Net)),
                ShareHold s => $"sets {Port.NameOf(s.Port)} to {PortWords.Of(s.Job)} at {Phrase.Baud(s.Baud)}",
                SocketHold { Device: null } s => Sentences.HasAPigtailIn(Socket(s.Socket)),
                SocketHold s => $"uses {Socket(s.Socket)}",
                JobHold j => Sentences.AlreadyHasOn(PortWords.Of(j.Job), Port.NameOf(j.Port)),
                PinsHold { Pins: "" } p => Sentences.NeedsOnItsDefaultPins(Port.NameOf(p.Port)),
                PinsHold p => Sentences.NeedsRemappedTo(Port.NameOf(p.Port), p.Pins),
                UseHold { Kind: HoldKind.Port } u => PortWord(u.Name, here),
                UseHold u => $"uses {Pads(u.Name)}",
                RideHold { Port: null } => Sentences.IsNotConnected,
                RideHold r => Sentences.IsOn(Port.NameOf(r.Port)),
                PowerHold => Sentences.IsNotConnected,
                _ => null,
            };

    private static string PortWord(string port, Port? here) =>
        port == here?.Id ? Sentences.UsesIt : $"uses {Port.NameOf(port)}";

    private static string AddressWords(string address) => $"0x{int.Parse(address, CultureInfo.InvariantCulture):X2}";

    private static string JobWords(string job) => PortWords.Of(Enum.Parse<PortJob>(job));

    private string Socket(string id) => build.Circuit.Sockets.First(s => s.Id == id).Label;

    private string Pads(string net)
    {
        var labels = build.Circuit.To(net).Select(p => p.Pad.Label).Distinct().ToList();
        return labels.Count switch
        {
            0 => Sentences.ItsPin,
            1 => $"pad {labels[0]}",
            _ => $"pads {Phrase.Join(labels)}",
        };
    }
}
