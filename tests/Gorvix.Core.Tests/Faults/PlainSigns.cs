using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Faults;

/// <summary>
/// Which links of an aircraft show that they work, told from the parts alone: pads with their paths, leads with what they touch. It knows no
/// circuit, no trace and no rail solver; where volts would have to be computed it says nothing.
/// </summary>
internal sealed class PlainSigns(WiredBuild meant, WiredBuild real)
{
    /// <summary>True or false where it can tell; null where volts decide.</summary>
    /// <param name="link">Id of the link.</param>
    /// <param name="boardHears">Whether the lines to the board are looked at; those to the device otherwise.</param>
    public bool? Shows(string link, bool boardHears)
    {
        if (Wired(link, boardHears) is not true and var dead)
        {
            return dead;
        }
        var of = meant.Build.Links.First(l => l.Id == link);
        var carrier = meant.Rides.FirstOrDefault(r => r.Link == link)?.In ?? link;
        var port = meant.Ports.First(p => p.Link == carrier);
        var lines = port
            .Mode.Lines.Where(l => boardHears ? l.Flow != Flow.In : l.Flow != Flow.Out)
            .Select(l => l.Lead)
            .ToHashSet();
        return !Defects(of.Want.Device, of.Function.Need, boardHears)
            && !lines.Any(l => real.Defects.Weak.Contains(new LeadAt(of.Want.Device, l)))
            && !lines.Any(l =>
                Nets(meant, $"lead {of.Want.Device}/{l}").Any(n => real.Defects.DeadPins.Contains(n.Net))
            );
    }

    // What the trade knows of a device that something ails although its wires are right (common practice): in its bootloader and unbound it
    // does nothing; set to another protocol it is not understood; old firmware has no telemetry and does not hear the board's text; a module
    // that forgot its set-up, or sees no sky, brings no position; a slow bay and remembered sensors bring no telemetry; without an antenna a
    // link of the air comes and goes.
    private bool Defects(string device, Need need, bool boardHears) =>
        real
            .Defects.Devices.Where(a => a.Device == device)
            .Any(a =>
                a.What switch
                {
                    DefectKind.InLoader or DefectKind.NotBound or DefectKind.SpeaksOtherwise => true,
                    DefectKind.OldFirmware => need == Need.Telemetry || (need == Need.Osd && !boardHears),
                    DefectKind.ForgotSetup or DefectKind.Indoors => need == Need.Gps,
                    DefectKind.SlowBay or DefectKind.Remembered => need == Need.Telemetry,
                    DefectKind.NoAntenna => need is Need.RcLink or Need.Osd,
                    _ => throw new InvalidOperationException($"{a.What}"),
                }
            );

    private bool? Wired(string link, bool boardHears)
    {
        var carrier = meant.Rides.FirstOrDefault(r => r.Link == link)?.In ?? link;
        var device = meant.Build.Links.First(l => l.Id == link).Want.Device;
        var port = meant.Ports.First(p => p.Link == carrier);
        if (Lives(device) is not true and var dead)
        {
            return dead;
        }
        if (!real.Ports.Any(p => p.Link == carrier && p.Settings == port.Settings))
        {
            return false;
        }
        var lines = port
            .Mode.Lines.Where(l => boardHears ? l.Flow != Flow.In : l.Flow != Flow.Out)
            .Select(l => Works($"{device}/{l.Lead}"))
            .ToList();
        return lines.Contains(false) ? false
            : lines.Contains(null) ? null
            : true;
    }

    /// <summary>Whether a device has its supply and ground, told by what they touch.</summary>
    public bool? Lives(string device)
    {
        if (real.DeadDevices.Contains(device))
        {
            return false;
        }
        // A loose supply comes and goes; what a sagging rail or USB alone still feeds is for a solver.
        if (real.Defects.Sagging.Count > 0 || real.Defects.IsOnUsbAlone)
        {
            return null;
        }
        var loose = meant.Leads.Where(l => real.Defects.Weak.Contains(l.At));
        if (loose.Any(l => l.Device == device && l.Lead.Role is LeadRole.Supply or LeadRole.Ground))
        {
            return null;
        }
        // Rails that are tied, or leads that feed others: that is for a solver.
        if (
            real.Leads.Any(l => l.To is not null)
            // A diode or a resistor on the way to a rail is for a solver too.
            || real.Leads.Any(l =>
                l.Device == device
                && l.Lead.Role is LeadRole.Supply or LeadRole.Ground
                && l.Pad?.Paths.Any(p => p.Rail is not null && p.Through.Any(e => e is not Contact)) == true
            )
            || RailSets(real).Except(RailSets(meant)).Any()
            || real.Leads.Any(l =>
                l.Lead.Role == LeadRole.Ground && Rails(real, l).Any(r => !IsGround(r))
                || (l.Lead.Role == LeadRole.Supply && Rails(real, l).Any(IsGround))
            )
        )
        {
            return null;
        }
        foreach (
            var lead in meant.Leads.Where(l => l.Device == device && l is { Lead.Role: LeadRole.Supply, Pad: not null })
        )
        {
            var (was, now) = (Rails(meant, lead), Rails(real, lead));
            if (now.Count == 0 || now.All(IsDead))
            {
                return was.Count == 0 ? null : false;
            }
            if (!was.SetEquals(now))
            {
                return null;
            }
        }
        var grounds = meant
            .Leads.Where(l => l.Device == device && l is { Lead.Role: LeadRole.Ground, Pad: not null })
            .ToList();
        var isGrounded = grounds.Count == 0 || grounds.Exists(g => Rails(real, g).Any(IsGround));
        // What the pack feeds by itself has its ground there as well.
        return isGrounded ? true
            : meant.Leads.Any(l => l.Device == device && l is { Lead.Role: LeadRole.Supply, Pad: not null }) ? false
            : null;
    }

    // A rail that hangs on a dead one is dead.
    private bool IsDead(string rail) =>
        real.DeadRails.Contains(rail) || (Board.Rails.First(r => r.Id == rail).From is { } from && IsDead(from));

    private bool IsGround(string rail) => Board.Rails.Any(r => r.Id == rail && r.Feed == RailFeed.Ground);

    private Board Board => meant.Build.Board;

    private static HashSet<string> Rails(WiredBuild wired, WiredLead lead) =>
        [
            .. Group(wired, $"lead {lead.Device}/{lead.Lead.Id}")
                .Where(n => n.StartsWith("rail ", StringComparison.Ordinal))
                .Select(n => n[5..]),
        ];

    // Every set of rails that are one copper, as text.
    private static IEnumerable<string> RailSets(WiredBuild wired) =>
        wired.Build.Board.Rails.Select(r =>
            string.Join(
                ' ',
                Group(wired, $"rail {r.Id}")
                    .Where(n => n.StartsWith("rail ", StringComparison.Ordinal))
                    .Order(StringComparer.Ordinal)
            )
        );

    private bool? Works(string lead)
    {
        var at = $"lead {lead}";
        var (was, now) = (Nets(meant, at), Nets(real, at));
        var more = was.Select(n => $"net {n.Net}")
            .Prepend(at)
            .SelectMany(n => Ends(real, n).Except(Ends(meant, n)))
            .Select(Listens)
            .ToList();
        return was.IsSubsetOf(now) && !more.Contains(false) ? (more.Contains(null) ? null : true) : false;
    }

    // An input more on a net changes nothing on it; a driver and a rail do. What no link uses may do either.
    private bool? Listens(string end) =>
        end.Split(' ', 2) switch
        {
            ["net", var net] => meant
                .Ports.Where(p => p.Port.Nets.Contains(net))
                .All(p => p.Port.Kind == PortKind.Uart && p.Port.Rx == net),
            ["lead", var lead] => LeadListens(lead),
            _ => false,
        };

    private bool? LeadListens(string lead)
    {
        var flows = (
            from port in meant.Ports
            from line in port.Mode.Lines
            where $"{meant.Build.Links.First(x => x.Id == port.Link).Want.Device}/{line.Lead}" == lead
            select line.Flow
        ).ToList();
        var own = meant.Leads.First(l => $"{l.Device}/{l.Lead.Id}" == lead).Lead;
        return flows.Count > 0 ? flows.TrueForAll(f => f == Flow.In)
            : own.Role != LeadRole.Signal || own.Talks == TalkHabit.Always ? false
            : own.Talks == TalkHabit.Asked ? true
            : null;
    }

    // The nets that a point is led to, each with whether it is turned over on the way.
    private static HashSet<(string Net, bool IsTurned)> Nets(WiredBuild wired, string from)
    {
        var copper = Group(wired, from);
        return
        [
            .. from pad in wired.Build.Board.Pads
            where copper.Contains($"pad {pad.Id}")
            from path in pad.Paths
            where path.Net is not null && Conducts(wired, path)
            select (path.Net, path.Through.OfType<Inverter>().Count() % 2 == 1),
        ];
    }

    private static HashSet<string> Ends(WiredBuild wired, string from) =>
        [.. Group(wired, from).Where(n => !n.StartsWith("pad ", StringComparison.Ordinal))];

    private static bool Conducts(WiredBuild wired, PadPath path) =>
        path
            .Through.OfType<Contact>()
            .All(c => wired.Bridges.Any(b => b.Bridge.Id == c.Bridge && b.Positions.Contains(c.Position)));

    // Everything that is one copper with a point, walked one joint at a time.
    private static HashSet<string> Group(WiredBuild wired, string from) =>
        Coppers.GetValue(wired, w => new Copper(w)).With(from);

    private static readonly ConditionalWeakTable<WiredBuild, Copper> Coppers = [];

    private sealed class Copper(WiredBuild wired)
    {
        private readonly ConcurrentDictionary<string, HashSet<string>> _known = [];
        private readonly ILookup<string, string> _beside = wired
            .Leads.Where(l => l.Pad is not null)
            .Select(l => ($"lead {l.Device}/{l.Lead.Id}", $"pad {l.Pad!.Id}"))
            .Concat(
                wired
                    .Leads.Where(l => l.To is not null)
                    .Select(l => ($"lead {l.Device}/{l.Lead.Id}", $"lead {l.To!.Device}/{l.To.Lead.Id}"))
            )
            .Concat(wired.Blobs.Select(b => ($"pad {b.One}", $"pad {b.Other}")))
            .Concat(
                from pad in wired.Build.Board.Pads
                from path in pad.Paths
                where path.Through.All(e => e is Contact) && Conducts(wired, path)
                select ($"pad {pad.Id}", path.Net is { } net ? $"net {net}" : $"rail {path.Rail}")
            )
            .SelectMany(j => new[] { (One: j.Item1, Other: j.Item2), (One: j.Item2, Other: j.Item1) })
            .ToLookup(j => j.One, j => j.Other);

        public HashSet<string> With(string from) =>
            _known.GetOrAdd(
                from,
                _ =>
                {
                    var (group, next) = (new HashSet<string> { from }, new Queue<string>([from]));
                    while (next.TryDequeue(out var at))
                    {
                        foreach (var other in _beside[at].Where(group.Add))
                        {
                            next.Enqueue(other);
                        }
                    }
                    return group;
                }
            );
    }
}
