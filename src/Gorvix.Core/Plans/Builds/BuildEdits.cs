using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>Larger changes of a build: another part, another link, another priority. Each gives a new build.</summary>
public static class BuildEdits
{
    /// <summary>
    /// The build with another part for one device. Its links go over by what they give; pins and bans that name a mode, a
    /// plug or a lead of the old part fall.
    /// </summary>
    /// <param name="build">A build that passes <see cref="BuildCheck"/>.</param>
    /// <param name="device">Id of a device of the build.</param>
    /// <param name="part">The new part.</param>
    /// <param name="library">A library with the old part.</param>
    /// <remarks>The same part is another piece of it.</remarks>
    /// <returns>The new build, or null when the part does not give what a link of the device wants.</returns>
    public static Build? WithPart(Build build, string device, Device part, PartsLibrary library)
    {
        var was = build.Devices.First(d => d.Id == device);
        if (was.Part == part.Id)
        {
            return WithPiece(build, was, was with { Batch = null });
        }
        var old = library.Device(was.Part)!;
        var functions = new Dictionary<string, string>();
        foreach (var want in build.Wants.Where(w => w.Device == device))
        {
            var need = old.Functions.First(f => f.Id == want.Function).Need;
            if (part.Functions.FirstOrDefault(f => f.Need == need) is not { } function)
            {
                return null;
            }
            functions[want.Link] = function.Id;
        }
        bool Stays(WishMatch match) =>
            match switch
            {
                RouteMatch route => route.Mode is null || !functions.ContainsKey(route.Link),
                FeedMatch feed => feed.Device != device && feed.From != device,
                LeadMatch lead => lead.Device != device,
                SeatMatch seat => seat.Device != device,
                _ => true,
            };
        return build with
        {
            Devices =
            [
                .. build.Devices.Select(d =>
                    d.Id == device ? d with { Part = part.Id, Harness = null, Batch = null, Piece = 0 } : d
                ),
            ],
            Wires = [.. build.Wires.Where(w => w.Device != device)],
            Wants =
            [
                .. build.Wants.Select(w => functions.TryGetValue(w.Link, out var f) ? w with { Function = f } : w),
            ],
            Pins = [.. build.Pins.Where(Stays)],
            Bans = [.. build.Bans.Where(Stays)],
        };
    }

    /// <summary>The build with another harness of one device. Pins and bans that name a plug or a lead of it fall.</summary>
    /// <param name="build">The build.</param>
    /// <param name="device">Id of a device of the build.</param>
    /// <param name="harness">Id of one of its harnesses.</param>
    public static Build WithHarness(Build build, string device, string harness)
    {
        bool Stays(WishMatch match) =>
            match switch
            {
                FeedMatch feed => feed.Device != device && feed.From != device,
                LeadMatch lead => lead.Device != device,
                SeatMatch seat => seat.Device != device,
                _ => true,
            };
        return build with
        {
            Devices = [.. build.Devices.Select(d => d.Id == device ? d with { Harness = harness } : d)],
            Pins = [.. build.Pins.Where(Stays)],
            Bans = [.. build.Bans.Where(Stays)],
        };
    }

    /// <summary>The build on another board. Pins and bans that name a port, pad or socket of the old board fall.</summary>
    public static Build WithBoard(Build build, string board)
    {
        static bool Stays(WishMatch match) =>
            match is RouteMatch { Port: null, Pad: null, Bridges: null } or LeadMatch or SeatMatch { Socket: null };
        return build with { Board = board, Pins = [.. build.Pins.Where(Stays)], Bans = [.. build.Bans.Where(Stays)] };
    }

    /// <summary>The build without a link, its pins and its bans.</summary>
    public static Build WithoutLink(Build build, string link) =>
        build with
        {
            Wants = [.. build.Wants.Where(w => w.Link != link)],
            Pins = [.. build.Pins.Where(p => p is not RouteMatch route || route.Link != link)],
            Bans = [.. build.Bans.Where(b => b is not RouteMatch route || route.Link != link)],
        };

    /// <summary>The build with one more link, last in its order, under a name that is free.</summary>
    /// <param name="build">The build.</param>
    /// <param name="device">Id of a device of the build.</param>
    /// <param name="function">Id of one of its functions.</param>
    /// <param name="priority">How much it is wished for.</param>
    public static Build WithLink(Build build, string device, string function, Priority priority)
    {
        var link = Free($"{device}-{function}", build.Wants.Select(w => w.Link));
        return build with
        {
            Wants =
            [
                .. build.Wants,
                new Want
                {
                    Link = link,
                    Device = device,
                    Function = function,
                    Priority = priority,
                },
            ],
        };
    }

    /// <summary>The build with one more device and all links that it can give, each as much wished for as its need asks.</summary>
    /// <param name="build">The build.</param>
    /// <param name="part">The device.</param>
    /// <param name="library">A library with the devices that the build has.</param>
    public static Build WithDevice(Build build, Device part, PartsLibrary library)
    {
        var id = Free(part.Kind.ToString().ToLowerInvariant(), build.Devices.Select(d => d.Id));
        var with = build with { Devices = [.. build.Devices, new BuildDevice { Id = id, Part = part.Id }] };
        var given = build
            .Wants.Select(w => (Part: library.Device(build.Devices.First(d => d.Id == w.Device).Part), w.Function))
            .SelectMany(w => w.Part?.Functions.Where(f => f.Id == w.Function) ?? [])
            .Select(f => f.Need)
            .ToHashSet();
        return part.Functions.Aggregate(
            with,
            (b, f) => WithLink(b, id, f.Id, given.Contains(f.Need) ? Priority.Optional : Wished.For(f.Need))
        );
    }

    /// <summary>The build under another name of one device; empty for the part's own.</summary>
    /// <param name="build">The build.</param>
    /// <param name="device">Id of a device of the build.</param>
    /// <param name="name">What the builder calls it, such as "second GNSS".</param>
    public static Build WithName(Build build, string device, string? name)
    {
        var called = string.IsNullOrWhiteSpace(name) ? null : name.Trim();
        return build.Devices.First(d => d.Id == device).Name == called
            ? build
            : build with
            {
                Devices = [.. build.Devices.Select(d => d.Id == device ? d with { Name = called } : d)],
            };
    }

    /// <summary>The build with another batch or serial number of a device; the same build comes back when it has it.</summary>
    public static Build WithBatch(Build build, string device, string? batch)
    {
        var noted = string.IsNullOrWhiteSpace(batch) ? null : batch.Trim();
        var was = build.Devices.First(d => d.Id == device);
        return was.Batch == noted ? build
            // Another number where there was one is another piece.
            : noted is not null && was.Batch is not null ? WithPiece(build, was, was with { Batch = noted })
            : Put(build, was with { Batch = noted });
    }

    /// <summary>An earlier state of a build with what is on the aircraft now: solder, and which pieces are in it, do not go back with a plan.</summary>
    /// <param name="earlier">The earlier state.</param>
    /// <param name="now">The build as it is.</param>
    public static Build Back(Build earlier, Build now) =>
        earlier with
        {
            Built = now.Built,
            Devices =
            [
                .. earlier.Devices.Select(d =>
                    now.Devices.FirstOrDefault(n => n.Id == d.Id && n.Part == d.Part) is { } there
                        ? d with
                        {
                            Batch = there.Batch,
                            Piece = there.Piece,
                        }
                        : d
                ),
            ],
        };

    /// <summary>The build with one of its devices changed; the same build where that changes nothing.</summary>
    /// <param name="build">The build.</param>
    /// <param name="device">Id of the device within the build.</param>
    /// <param name="change">The change.</param>
    public static Build With(Build build, string device, Func<BuildDevice, BuildDevice> change)
    {
        var was = build.Devices.First(d => d.Id == device);
        var now = change(was);
        return was == now ? build : Put(build, now);
    }

    private static Build Put(Build build, BuildDevice device) =>
        build with
        {
            Devices = [.. build.Devices.Select(d => d.Id == device.Id ? device : d)],
        };

    // Another piece of the same kind: what was soldered and plugged of the old one is not done for it.
    private static Build WithPiece(Build build, BuildDevice was, BuildDevice device) =>
        Put(build, device with { Piece = was.Piece + 1 }) with
        {
            Built =
            [
                .. build.Built.Where(f =>
                    f switch
                    {
                        JointFact joint => joint.Device != device.Id && joint.To != device.Id,
                        CavityFact cavity => cavity.Device != device.Id,
                        SeatFact seat => seat.Device != device.Id,
                        DeedFact deed => deed.Device != device.Id,
                        _ => true,
                    }
                ),
            ],
        };

    /// <summary>The build with a supply wire of a length and gauge; one as it is usually cut needs no entry.</summary>
    /// <param name="build">The build.</param>
    /// <param name="wire">The wire.</param>
    public static Build WithWire(Build build, WireCut wire)
    {
        var others = build.Wires.Where(w => (w.Device, w.Lead) != (wire.Device, wire.Lead)).ToList();
        var usual = wire is { Gauge: null, Millimetres: WireCut.UsualMillimetres };
        return build.Wires.Contains(wire) || (usual && others.Count == build.Wires.Count)
            ? build
            : build with
            {
                Wires = usual ? others : [.. others, wire],
            };
    }

    /// <summary>The build without a device and all its links.</summary>
    public static Build WithoutDevice(Build build, string device)
    {
        var less = build.Wants.Where(w => w.Device == device).Aggregate(build, (b, want) => WithoutLink(b, want.Link));
        bool IsOf(WishMatch match) =>
            match switch
            {
                SeatMatch seat => seat.Device == device,
                FeedMatch feed => feed.Device == device || feed.From == device,
                LeadMatch lead => lead.Device == device,
                _ => false,
            };
        return less with
        {
            Devices = [.. build.Devices.Where(d => d.Id != device)],
            Wires = [.. build.Wires.Where(w => w.Device != device)],
            Pins = [.. less.Pins.Where(p => !IsOf(p))],
            Bans = [.. less.Bans.Where(b => !IsOf(b))],
        };
    }

    /// <summary>The build with another priority of one link.</summary>
    public static Build WithPriority(Build build, string link, Priority priority) =>
        build.Wants.Any(w => w.Link == link && w.Priority == priority)
            ? build
            : build with
            {
                Wants = [.. build.Wants.Select(w => w.Link == link ? w with { Priority = priority } : w)],
            };

    private static string Free(string wish, IEnumerable<string> taken)
    {
        var names = taken.ToHashSet();
        return names.Contains(wish)
            ? Enumerable.Range(2, names.Count + 1).Select(n => $"{wish}-{n}").First(n => !names.Contains(n))
            : wish;
    }
}
