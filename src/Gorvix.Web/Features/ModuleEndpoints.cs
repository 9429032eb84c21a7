using System.IO.Ports;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Gnss;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A serial line at which a GNSS module can hang.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Words">What it is, in words.</param>
/// <param name="IsSimulated">True for a stand-in that ships.</param>
public sealed record ModuleLineView(string Id, string Words, bool IsSimulated);

/// <summary>What to do at a module.</summary>
public enum ModuleDeed
{
    /// <summary>Find it, ask what it is, listen.</summary>
    Look,

    /// <summary>Set it up.</summary>
    SetUp,

    /// <summary>Take its power away and see what it has kept.</summary>
    Prove,

    /// <summary>Bring it back to how it left the factory.</summary>
    Revert,
}

/// <summary>Something to do at a module.</summary>
/// <param name="Do">What.</param>
/// <param name="Generation">How it is to be spoken to, while it has not said.</param>
/// <param name="Baud">The baud that is wanted.</param>
/// <param name="Hertz">The solutions a second that are wanted.</param>
/// <param name="Seconds">How long to listen, 1 to 60.</param>
public sealed record ModuleRequest(
    ModuleDeed Do,
    GnssGeneration Generation = GnssGeneration.Older,
    int Baud = 115_200,
    int Hertz = 5,
    double Seconds = 3
);

/// <summary>The frames of a set-up.</summary>
/// <param name="Frames">Frame by frame, in the order in which they are sent.</param>
/// <param name="Bytes">How many bytes they are together.</param>
public sealed record SetupFramesView(IReadOnlyList<SetupFrameView> Frames, int Bytes);

/// <summary>A frame of a set-up.</summary>
/// <param name="Name">Its name in the interface description.</param>
/// <param name="Words">What it does.</param>
/// <param name="Hex">Its bytes.</param>
public sealed record SetupFrameView(string Name, string Words, string Hex);

/// <summary>GNSS modules: how full a line is, which frames set one up, and the work at one that hangs on an adapter.</summary>
internal static class ModuleEndpoints
{
    public static void MapModules(this IEndpointRouteBuilder app)
    {
        var gnss = app.MapGroup("/api/gnss").WithTags("Settings");
        gnss.MapGet(
                "budget",
                (string protocol, string generation, int satellites, int hertz, int baud) =>
                    Known(generation) is { } known
                        ? Results.Ok(MessageBudget.Of(protocol, known, satellites, hertz, baud))
                        : Unknown(generation)
            )
            .Answers<Budget>("budgetMessages", 422, 400);
        gnss.MapGet(
                "setup",
                (string generation, int baud, int hertz) =>
                    Known(generation) is not { } known
                        ? Unknown(generation)
                        : Against(baud, hertz)
                            ?? Results.Ok(
                                new SetupFramesView(
                                    [
                                        .. SetupFrames
                                            .Of(new ModuleWish(known, baud, hertz))
                                            .Select(f => new SetupFrameView(f.Frame.Name, f.Words, f.Hex)),
                                    ],
                                    SetupFrames.File(new ModuleWish(known, baud, hertz)).Length
                                )
                            )
            )
            .Answers<SetupFramesView>("listSetupFrames", 422);
        gnss.MapGet(
                "setup.bin",
                (string generation, int baud, int hertz, HttpResponse response) =>
                {
                    if (Known(generation) is not { } known)
                    {
                        return Unknown(generation);
                    }
                    if (Against(baud, hertz) is { } problem)
                    {
                        return problem;
                    }
                    ExportEndpoints.Name(response, $"gnss-{known}-{baud}-{hertz}hz.bin");
                    return Results.Bytes(SetupFrames.File(new ModuleWish(known, baud, hertz)));
                }
            )
            .AnswersFile("saveSetupFrames", "application/octet-stream", 422);
        gnss.MapGet("lines", ModuleLines.Lines).WithName("listModuleLines");
        gnss.MapPost(
                "lines/{line}",
                async (string line, ModuleRequest request, ModuleLines desk, CancellationToken stop) =>
                    Against(request.Baud, request.Hertz)
                    ?? (
                        request.Seconds is >= 1 and <= 60
                            ? await desk.Work(line, request, stop)
                            : Problems.Of(422, Sentences.CannotListenForSChoose(request.Seconds))
                    )
            )
            .Answers<ModuleReport>("workAtModule", 404, 409, 422);
    }

    private static GnssGeneration? Known(string generation) =>
        Enum.TryParse<GnssGeneration>(generation, ignoreCase: true, out var known) && Enum.IsDefined(known)
            ? known
            : null;

    private static IResult Unknown(string generation) =>
        Problems.Of(422, Sentences.IsNotAProtocolGeneration(generation.Length <= 20 ? generation : generation[..20]));

    private static IResult? Against(int baud, int hertz) =>
        !MessageBudget.Bauds.Contains(baud)
            ? Problems.Of(422, Sentences.BaudIsNotAGnss(baud, string.Join(", ", MessageBudget.Bauds)))
        : hertz is < 1 or > MessageBudget.MostHertz
            ? Problems.Of(422, Sentences.UpdateRateHzIsOut(hertz, MessageBudget.MostHertz))
        : null;
}

/// <summary>
/// The lines of this machine at which a module can hang, and the stand-ins that ship. A line is opened when somebody works at it, by one at a
/// time, and closed again.
/// </summary>
internal sealed class ModuleLines
{
    private static readonly (string Id, string Words, ModuleKind Kind)[] StandIns =
    [
        (
            "simulated-older",
            "simulated: older generation, saves settings",
            new ModuleKind(GnssGeneration.Older, SetupMemory.Saves)
        ),
        (
            "simulated-forgetful",
            "simulated: older generation, loses settings",
            new ModuleKind(GnssGeneration.Older, SetupMemory.Loses)
        ),
        (
            "simulated-newer",
            "simulated: newer generation, saves settings",
            new ModuleKind(GnssGeneration.Newer, SetupMemory.Saves, Baud: 38_400)
        ),
        (
            "simulated-indoors",
            "simulated: newer generation, indoors",
            new ModuleKind(GnssGeneration.Newer, SetupMemory.Saves, ModuleScene.Indoors, Baud: 38_400)
        ),
        (
            "simulated-straight",
            "simulated: TX and RX not crossed",
            new ModuleKind(GnssGeneration.Older, SetupMemory.Saves, Wiring: ModuleWiring.Straight)
        ),
    ];

    private readonly Dictionary<string, SimulatedModule> _simulated = StandIns.ToDictionary(
        s => s.Id,
        s => new SimulatedModule(s.Kind)
    );
    private readonly Lock _lock = new();
    private readonly HashSet<string> _busy = [];

    /// <summary>Every line, those of the machine first.</summary>
    public static IReadOnlyList<ModuleLineView> Lines() =>
        [.. Adapters(), .. StandIns.Select(s => new ModuleLineView(s.Id, s.Words, true))];

    /// <summary>Works at a line; nobody else does meanwhile.</summary>
    public async Task<IResult> Work(string line, ModuleRequest request, CancellationToken stop)
    {
        var simulated = _simulated.GetValueOrDefault(line);
        return await Use(
            line,
            simulated is null ? null : () => Do(simulated, request, stop),
            at => Do(at, request, stop),
            why => new ModuleReport(null, null, null, null, [new ModuleLine(why, true)]),
            stop
        );
    }

    /// <summary>The adapters of the machine.</summary>
    public static IReadOnlyList<ModuleLineView> Adapters() =>
        [.. Ports().Select(p => new ModuleLineView(p.Id, $"adapter {p.Name}", false))];

    /// <summary>Does something at a line while nobody else does.</summary>
    /// <param name="line">Id of the line.</param>
    /// <param name="standIn">What is done where it is a stand-in; null where it is none.</param>
    /// <param name="act">What is done at an adapter.</param>
    /// <param name="shut">What comes of an adapter that cannot be used, with why as a sentence.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public async Task<IResult> Use<T>(
        string line,
        Func<T>? standIn,
        Func<ISerialLine, T> act,
        Func<string, T> shut,
        CancellationToken stop
    )
    {
        var port = Ports().Where(p => p.Id == line).Select(p => p.Name).FirstOrDefault();
        if (port is null && standIn is null)
        {
            return Problems.Of(404, Sentences.AdapterNotFoundPlugIt);
        }
        lock (_lock)
        {
            if (!_busy.Add(line))
            {
                return Problems.Of(409, Sentences.AdapterInUsePerhapsIn);
            }
        }
        try
        {
            // A thread of its own: it waits for what hangs there most of the time.
            return Results.Ok(
                await Task.Factory.StartNew(
                    () => port is null ? standIn!() : AtPort(port, act, shut),
                    stop,
                    TaskCreationOptions.LongRunning,
                    TaskScheduler.Default
                )
            );
        }
        finally
        {
            lock (_lock)
            {
                _busy.Remove(line);
            }
        }
    }

    private static IEnumerable<(string Id, string Name)> Ports() =>
        SerialPort
            .GetPortNames()
            .Order(StringComparer.Ordinal)
            .Select(name => ($"port-{Path.GetFileName(name)}", name));

    private static ModuleReport Do(ISerialLine line, ModuleRequest request, CancellationToken stop)
    {
        var tool = new ModuleTool(line, stop);
        var wish = new ModuleWish(request.Generation, request.Baud, request.Hertz);
        return request.Do switch
        {
            ModuleDeed.Look => tool.Look(request.Seconds),
            ModuleDeed.SetUp => tool.SetUp(wish),
            ModuleDeed.Prove => tool.Prove(wish),
            _ => tool.Revert(),
        };
    }

    private static T AtPort<T>(string name, Func<ISerialLine, T> act, Func<string, T> shut)
    {
        try
        {
            using var line = new PortLine(name);
            return act(line);
        }
        catch (Exception problem)
            when (problem is IOException or UnauthorizedAccessException or InvalidOperationException)
        {
            return shut(Sentences.CannotOpenCloseOtherPrograms(name, problem.Message.TrimEnd('.')));
        }
    }

    // An adapter of the machine.
    private sealed class PortLine : ISerialLine, IDisposable
    {
        private readonly SerialPort _port;

        public PortLine(string name)
        {
            _port = new SerialPort(name, 9_600, Parity.None, 8, StopBits.One) { WriteTimeout = 2_000, ReadTimeout = 1 };
            _port.Open();
        }

        public string Name => _port.PortName;

        public void SetBaud(int baud)
        {
            try
            {
                _port.BaudRate = baud;
            }
            catch (ArgumentException)
            {
                throw new IOException(Sentences.BaudIsNotSupported(baud));
            }
        }

        public void Write(ReadOnlySpan<byte> bytes)
        {
            try
            {
                _port.BaseStream.Write(bytes);
            }
            catch (TimeoutException)
            {
                throw new IOException(Sentences.ItDoesNotAcceptData);
            }
        }

        public int Read(Span<byte> into)
        {
            var there = Math.Min(_port.BytesToRead, into.Length);
            if (there == 0)
            {
                return 0;
            }
            try
            {
                return _port.BaseStream.Read(into[..there]);
            }
            catch (TimeoutException)
            {
                return 0;
            }
        }

        public void Wait(TimeSpan time) => Thread.Sleep(time);

        public bool TryCyclePower() => false;

        public void Dispose() => _port.Dispose();
    }
}
