using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Gnss;

namespace Gorvix.Core.Tests.Navigation;

/// <summary>What the tool does at simulated modules of each kind, and at lines that are none.</summary>
public class ModuleToolTests
{
    private static readonly ModuleWish Wish = new(GnssGeneration.Older, 57_600, 5);

    private static ModuleTool At(ISerialLine line) => new(line, CancellationToken.None);

    public static TheoryData<GnssGeneration, SetupMemory, int> Kinds =>
        [
            .. from generation in Enum.GetValues<GnssGeneration>()
            from memory in Enum.GetValues<SetupMemory>()
            from baud in new[] { 9_600, 38_400, 115_200 }
            select (generation, memory, baud),
        ];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_module_is_found_set_up_and_proved_to_keep_or_to_forget(
        GnssGeneration generation,
        SetupMemory memory,
        int baud
    )
    {
        var module = new SimulatedModule(new ModuleKind(generation, memory, Baud: baud));
        var look = At(module).Look(40);
        Assert.Equal((baud, generation), (look.Baud, look.Generation));
        Assert.Equal(FixKind.Full, look.Picture!.Fix);
        Assert.InRange(look.Picture.Latitude!.Value, 53.271, 53.2711);
        Assert.True(look.IsGood);

        var set = At(module).SetUp(Wish);
        Assert.True(set.IsGood, string.Join("\n", set.Log.Select(l => l.Words)));
        Assert.Equal(Wish.Baud, set.Baud);
        Assert.InRange(set.Picture!.Hertz, 4.5, 5.5);
        Assert.DoesNotContain(set.Picture.Messages, m => m.Name == "GGA");

        var proof = At(module).Prove(Wish);
        Assert.Equal(memory == SetupMemory.Saves, proof.IsGood);
        Assert.Contains(
            memory == SetupMemory.Saves ? "has kept" : "loses settings without power",
            proof.Log[^1].Words,
            StringComparison.Ordinal
        );

        var back = At(module).Revert();
        Assert.Equal(baud, back.Baud);
        Assert.Contains(back.Picture!.Messages, m => m.Name == "GGA");
    }

    [Fact]
    public void Indoors_the_fix_never_comes()
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Newer, SetupMemory.Saves, ModuleScene.Indoors));
        var look = At(module).Look(60);
        Assert.Equal(FixKind.None, look.Picture!.Fix);
        Assert.Contains("There is never a fix indoors", look.Log[^1].Words, StringComparison.Ordinal);
    }

    [Fact]
    public void Wires_that_are_not_crossed_are_what_nothing_at_all_is_taken_for()
    {
        var module = new SimulatedModule(
            new ModuleKind(GnssGeneration.Older, SetupMemory.Saves, Wiring: ModuleWiring.Straight)
        );
        var look = At(module).SetUp(Wish);
        Assert.Null(look.Baud);
        Assert.Contains("Swap the two wires", look.Log.Single(l => l.IsTrouble).Words, StringComparison.Ordinal);
    }

    private sealed class Chatter : ISerialLine
    {
        private readonly Random _dice = new(7);

        public string Name => "some adapter";

        public int Written { get; private set; }

        public void SetBaud(int baud) { }

        public void Write(ReadOnlySpan<byte> bytes) => Written += bytes.Length;

        public int Read(Span<byte> into)
        {
            _dice.NextBytes(into);
            return into.Length;
        }

        public void Wait(TimeSpan time) { }

        public bool TryCyclePower() => false;
    }

    [Fact]
    public void A_device_that_is_no_module_is_said_to_be_none_and_nothing_is_sent_to_it()
    {
        var line = new Chatter();
        var report = At(line).SetUp(Wish);
        Assert.Null(report.Baud);
        Assert.Contains("not a GNSS module", report.Log.Single(l => l.IsTrouble).Words, StringComparison.Ordinal);
        Assert.Equal(0, line.Written);
    }

    // Like an adapter that is pulled out after so many bytes were written.
    private sealed class Unplugged(SimulatedModule module, int after) : ISerialLine
    {
        private int _left = after;

        public string Name => "adapter";

        public void SetBaud(int baud) => module.SetBaud(baud);

        public void Write(ReadOnlySpan<byte> bytes)
        {
            _left -= bytes.Length;
            if (_left < 0)
            {
                throw new IOException("No such device");
            }
            module.Write(bytes);
        }

        public int Read(Span<byte> into) => _left < 0 ? throw new IOException("No such device") : module.Read(into);

        public void Wait(TimeSpan time) => module.Wait(time);

        public bool TryCyclePower() => false;
    }

    [Theory]
    [InlineData(0)]
    [InlineData(30)]
    [InlineData(100)]
    public void An_adapter_that_is_pulled_out_is_told_with_what_it_means(int after)
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Older, SetupMemory.Saves));
        var report = At(new Unplugged(module, after)).SetUp(Wish);
        Assert.Contains("adapter disconnected: No such device.", report.Log[^1].Words, StringComparison.Ordinal);
    }

    // Hears nothing of what it is sent.
    private sealed class Deaf(SimulatedModule module) : ISerialLine
    {
        public string Name => "adapter";

        public void SetBaud(int baud) => module.SetBaud(baud);

        public void Write(ReadOnlySpan<byte> bytes) { }

        public int Read(Span<byte> into) => module.Read(into);

        public void Wait(TimeSpan time) => module.Wait(time);

        public bool TryCyclePower() => false;
    }

    [Fact]
    public void No_answer_is_told_frame_by_frame()
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Older, SetupMemory.Saves));
        var report = At(new Deaf(module)).SetUp(Wish);
        Assert.Contains(
            report.Log,
            l => l.Words.Contains("does not receive from the adapter", StringComparison.Ordinal)
        );
        Assert.Contains(report.Log, l => l.Words.Contains("no reply in 3 tries", StringComparison.Ordinal));
    }

    /// <summary>Who has not taken its power away knows nothing of its memory, and a refused reset is none.</summary>
    [Theory]
    [InlineData(SetupMemory.Saves)]
    [InlineData(SetupMemory.Loses)]
    public void Without_a_power_cycle_nothing_is_said_of_the_memory(SetupMemory memory)
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Older, memory));
        Assert.True(At(module).SetUp(Wish).IsGood);
        var proof = At(new Unplugged(module, int.MaxValue)).Prove(Wish);
        Assert.DoesNotContain(proof.Log, l => l.Words.Contains("has kept", StringComparison.Ordinal));
        Assert.Contains("Not verified: whether they survive", proof.Log[^1].Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_factory_reset_that_is_not_answered_is_not_called_done()
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Older, SetupMemory.Saves));
        var report = At(new Deaf(module)).Revert();
        Assert.DoesNotContain(report.Log, l => l.Words.Contains("reset done", StringComparison.Ordinal));
        Assert.Contains("Factory reset not done", report.Log[^1].Words, StringComparison.Ordinal);
        Assert.Contains(At(module).Revert().Log, l => l.Words == "Factory reset done.");
    }

    [Fact]
    public void A_module_of_the_other_generation_is_spoken_to_in_its_own_form()
    {
        var module = new SimulatedModule(new ModuleKind(GnssGeneration.Newer, SetupMemory.Saves));
        var report = At(module).SetUp(Wish);
        Assert.Contains(report.Log, l => l.Words.Contains("is configured for it", StringComparison.Ordinal));
        Assert.Contains(report.Log, l => l.Words.StartsWith("CFG-VALSET accepted", StringComparison.Ordinal));
        Assert.DoesNotContain(report.Log, l => l.IsTrouble);
    }
}
