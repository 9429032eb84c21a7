using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>In what a setting of the board is other than wanted.</summary>
internal enum Otherwise
{
    /// <summary>A port has no job.</summary>
    Free,

    /// <summary>A port has its job and another rate.</summary>
    Rate,

    /// <summary>In something else.</summary>
    Other,
}

/// <summary>
/// What every instrument would show at an aircraft as it really is, without the noise of an instrument: the simulated bench reads it, and so
/// does the search for a fault.
/// </summary>
internal sealed class BenchTruth
{
    private readonly Lazy<Copper> _copper;
    private readonly Dictionary<string, RailSheet> _sheets = [];
    private IEnumerator<RailSheet>? _inTurn;
    private readonly Lazy<LinkTruth> _links;
    private readonly bool _sameSupply;

    /// <summary>Looks at an aircraft.</summary>
    /// <param name="meant">As it is meant.</param>
    /// <param name="real">As it is.</param>
    public BenchTruth(Meant meant, WiredBuild real)
    {
        (Meant, Real) = (meant, real);
        var circuit = new Lazy<Circuit>(real.Circuit);
        _copper = new(() => SameCopper ? meant.Copper : new Copper(real, circuit.Value));
        _links = new(() => new LinkTruth(meant, real, circuit, _copper, Sheet));
        _sameSupply = IsSupplied(meant.Wired, real);
    }

    /// <summary>As it is meant.</summary>
    public Meant Meant { get; }

    /// <summary>As it is.</summary>
    public WiredBuild Real { get; }

    private bool SameCopper =>
        ReferenceEquals(Real.Leads, Meant.Wired.Leads)
        && ReferenceEquals(Real.Bridges, Meant.Wired.Bridges)
        && Real.Blobs.Count == Meant.Wired.Blobs.Count;

    /// <summary>What lies between two points without power.</summary>
    public (Finds Finds, double Value) Between(Node one, Node other) => _copper.Value.Between(one, other);

    /// <summary>What is seen of a sign of a link.</summary>
    public Seen Shows(string link, SignNeeds needs, Situation situation) => _links.Value.Shows(link, needs, situation);

    /// <summary>
    /// True when what the aircraft gets in a situation is known. Where loads ask for more than any state gives a limiter stands at its limit and
    /// everything is dark; what a source without one does then nobody can tell.
    /// </summary>
    /// <remarks>Nor is it where USB alone is left and nobody has said which rails that powers.</remarks>
    public bool Knows(Situation situation) =>
        (Sheet(situation).Problem is null || situation.InLine == InLine.Limiter)
        && !(Real.Defects.IsOnUsbAlone && Sheet(situation).Leads.Any(l => l.State == LeadFeed.UsbUnknown));

    /// <summary>What is seen of every link at once.</summary>
    public Seen ShowsAll(Situation situation) =>
        Meant
            .Wired.Ports.Select(p => p.Link)
            .Concat(Meant.Wired.Rides.Select(r => r.Link))
            .Select(l => Shows(l, SignNeeds.Both, situation))
            .DefaultIfEmpty(Seen.Yes)
            .Min();

    /// <summary>Whether a device lives where it is meant to, and only there.</summary>
    public Seen Lives(string device, Situation situation) =>
        Meant.Sheet(situation).Leads.Where(l => l.Device == device).All(IsFed) ? _links.Value.Lives(device, situation)
        : Sheet(situation).Leads.Where(l => l.Device == device).All(l => !IsFed(l)) ? Seen.Yes
        : Seen.No;

    /// <summary>What the light of a device says.</summary>
    /// <param name="device">Its id within the build.</param>
    /// <param name="isAired">True for one that looks for an other end.</param>
    /// <param name="situation">What feeds the build.</param>
    public LightSays Light(string device, bool isAired, Situation situation) =>
        _links.Value.Lives(device, situation) switch
        {
            Seen.No => LightSays.Dark,
            Seen.Flickers => LightSays.Flickers,
            _ => DefectDefinition.At(Real, device).Select(a => a.Light(isAired)).FirstOrDefault(l => l is not null)
                ?? LightSays.Well,
        };

    /// <summary>Volts of a point against the common ground.</summary>
    public double Volts(Node point, Situation situation)
    {
        var sheet = Sheet(situation);
        // A point where no supply hangs: what reaches it without a load.
        return sheet.Points.TryGetValue(point, out var volts)
            ? volts
            : _copper
                .Value.With(point)
                .Where(n => n.Kind == NodeKind.Rail)
                .Select(n => sheet.Points.GetValueOrDefault(n))
                .DefaultIfEmpty(0)
                .Max();
    }

    /// <summary>Volts between two points; the common ground where no second one is named.</summary>
    public double Volts(VoltProbing probing) =>
        Volts(probing.Red, probing.Situation) - (probing.Black is { } b ? Volts(b, probing.Situation) : 0);

    /// <summary>The current out of the source, in amperes.</summary>
    public double Amps(Situation situation) =>
        Real.Defects.IsOnUsbAlone ? 0
        : Sheet(situation) is { Problem: not null } && situation.InLine == InLine.Limiter ? situation.Power.LimiterAmps
        : Math.Max(0, Sheet(situation).SourceAmps?.Typical ?? 0);

    /// <summary>True when a bridge stands as it is meant to.</summary>
    public bool Stands(string bridge) => Positions(Real, bridge).SequenceEqual(Positions(Meant.Wired, bridge));

    /// <summary>Where a bridge stands.</summary>
    public static IReadOnlyList<string> Positions(WiredBuild wired, string bridge) =>
        wired.Bridges.First(b => b.Bridge.Id == bridge).Positions;

    /// <summary>The first setting that the board prints otherwise than wanted, ports first; null where there is none.</summary>
    public (string Key, Otherwise How)? FirstOther()
    {
        foreach (var port in Meant.Wired.Ports)
        {
            var real = Real.Ports.FirstOrDefault(p => p.Link == port.Link);
            if (real?.Settings != port.Settings)
            {
                return (
                    $"port.{port.Port.Id}",
                    real is null ? Otherwise.Free
                    : real.Settings with { Baud = port.Settings.Baud } == port.Settings ? Otherwise.Rate
                    : Otherwise.Other
                );
            }
        }
        return Real.Defects.Settings.Count > 0
            ? (Real.Defects.Settings.Min(StringComparer.Ordinal)!, Otherwise.Other)
            : null;
    }

    /// <summary>What would be destroyed in a situation that the sound build survives.</summary>
    public bool Harms(Situation situation) =>
        !(_sameSupply && SameCopper)
        && DamageCheck.Of(Real, Sheet(situation), _copper.Value).Count > 0
        && DamageCheck.Of(Meant.Wired, Meant.Sheet(situation), Meant.Copper).Count == 0;

    private static bool IsFed(LeadReading lead) => lead.State is LeadFeed.Good or LeadFeed.Tight;

    // The situations of the bench are solved in their order, each from where the one before ended, as far as they are asked for.
    private RailSheet Sheet(Situation situation)
    {
        if (Real.Defects.IsOnUsbAlone)
        {
            situation = Meant.Power.Usb;
        }
        if (_sameSupply)
        {
            return Meant.Sheet(situation);
        }
        _inTurn ??= RailReader.InTurn(Real, Meant.Situations).GetEnumerator();
        while (!_sheets.ContainsKey(situation.Id) && _inTurn.MoveNext())
        {
            _sheets[_inTurn.Current.Situation.Id] = _inTurn.Current;
        }
        return _sheets.TryGetValue(situation.Id, out var known)
            ? known
            : _sheets[situation.Id] = RailReader.Read(Real, Meant.Of(situation));
    }

    // True when nothing is other that a supply could notice: then the rails are not solved again.
    private static bool IsSupplied(WiredBuild meant, WiredBuild real)
    {
        if (
            !ReferenceEquals(meant.Bridges, real.Bridges)
            || meant.Blobs.Count != real.Blobs.Count
            || real.DeadRails.Count > 0
            || real.DeadDevices.Count > 0
            || real.Defects.Sagging.Count > 0
        )
        {
            return false;
        }
        bool Carries(WiredLead lead) => lead.Lead.Role is LeadRole.Supply or LeadRole.Ground or LeadRole.Output;
        return !real.Defects.Weak.Any(w =>
                real.Leads.Any(l => l.Device == w.Device && l.Lead.Id == w.Lead && Carries(l))
            )
            && (
                ReferenceEquals(meant.Leads, real.Leads)
                || meant
                    .Leads.Zip(real.Leads)
                    .All(p =>
                        ReferenceEquals(p.First, p.Second)
                        || (!Carries(p.First) && (p.Second.Pad is null || !IsSupply(meant, p.Second.Pad)))
                    )
            );
    }

    private static bool IsSupply(WiredBuild wired, Pad pad) =>
        wired.Build.Circuit.From(pad).Any(s => s.To.Kind == NodeKind.Rail);
}
