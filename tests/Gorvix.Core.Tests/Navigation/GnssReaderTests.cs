using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json;
using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Gnss;

namespace Gorvix.Core.Tests.Navigation;

/// <summary>Frames and sentences: against published bytes, against another reader, and against noise.</summary>
public class GnssReaderTests
{
    private static byte[] Hex(string hex) => Convert.FromHexString(hex.Replace(" ", "", StringComparison.Ordinal));

    private static string[] HexOf(ModuleWish wish) => [.. SetupFrames.Of(wish).Select(f => f.Hex)];

    // Bytes of set-up frames as they stand in application notes on the interface description (from memory; the sums prove them).
    [Theory]
    [InlineData("B5 62 06 00 14 00 01 00 00 00 D0 08 00 00 80 25 00 00 07 00 03 00 00 00 00 00 A2 B5", 9_600, 5)]
    [InlineData("B5 62 06 08 06 00 C8 00 01 00 01 00 DE 6A", 9_600, 5)]
    [InlineData("B5 62 06 01 03 00 F0 03 00 FD 15", 9_600, 5)]
    [InlineData("B5 62 06 01 03 00 01 02 01 0E 47", 9_600, 5)]
    public void The_older_set_up_has_the_bytes_of_the_examples(string hex, int baud, int hertz) =>
        Assert.Contains(hex, HexOf(new ModuleWish(GnssGeneration.Older, baud, hertz)));

    [Fact]
    public void Asking_for_the_version_is_the_poll_of_the_description() =>
        Assert.Equal(Hex("B5 62 0A 04 00 00 0E 34"), SetupFrames.AskVersion.Bytes());

    // Lengths as the interface description has them, frame included.
    [Fact]
    public void The_messages_are_as_long_as_described() =>
        Assert.Equal(
            [36, 26, 60, 44, 28, 16 + (12 * 12)],
            MessageBudget.Messages("UBX", GnssGeneration.Older, 12, 1).Select(l => l.Bytes)
        );

    // A sentence of IEC 61162-1 as it is printed in many handbooks, with its sum.
    [Fact]
    public void A_sentence_of_the_handbooks_has_its_sum()
    {
        const string Known = "$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47\r\n";
        var reader = new GnssReader();
        reader.Read(Encoding.ASCII.GetBytes(Known));
        var sentence = Assert.Single(reader.TakeSentences());
        Assert.Equal(Known, sentence.ToString());
        var picture = GnssPicture.Of([], [sentence], 1, 0);
        Assert.Equal(48.1173, picture.Latitude!.Value, 0.0001);
        Assert.Equal(11.516667, picture.Longitude!.Value, 0.0001);
        Assert.Equal((FixKind.Full, 8), (picture.Fix, picture.Used));
    }

    private static byte[] Said(GnssGeneration generation, Action<SimulatedModule>? first, double seconds)
    {
        var module = new SimulatedModule(new ModuleKind(generation, SetupMemory.Saves, Baud: 115_200));
        module.SetBaud(115_200);
        module.Wait(TimeSpan.FromSeconds(30));
        first?.Invoke(module);
        module.Read(new byte[1 << 20]);
        module.Wait(TimeSpan.FromSeconds(seconds));
        var bytes = new byte[1 << 20];
        return bytes[..module.Read(bytes)];
    }

    private static void SetUp(SimulatedModule module, GnssGeneration generation) =>
        module.Write(SetupFrames.File(new ModuleWish(generation, 115_200, 5)));

    // gpsdecode of the Debian package gpsd-tools reads what the stand-in says and finds the same place and satellites.
    [Theory]
    [InlineData(GnssGeneration.Older, false)]
    [InlineData(GnssGeneration.Older, true)]
    [InlineData(GnssGeneration.Newer, true)]
    public void Another_reader_finds_the_same_in_what_is_said(GnssGeneration generation, bool isSetUp)
    {
        var bytes = Said(generation, isSetUp ? m => SetUp(m, generation) : null, 6);
        var told = Decoded(bytes).Where(o => o.GetProperty("class").GetString() == "TPV").ToList();
        var own = new GnssReader();
        own.Read(bytes);
        Assert.Equal(0, own.Broken);
        var picture = GnssPicture.Of(own.TakeFrames(), own.TakeSentences(), 6, 0);
        var placed = told.Where(t => t.TryGetProperty("lat", out _)).ToList();
        Assert.NotEmpty(placed);
        Assert.All(
            placed,
            t =>
            {
                Assert.Equal(picture.Latitude!.Value, t.GetProperty("lat").GetDouble(), 0.000002);
                Assert.Equal(picture.Longitude!.Value, t.GetProperty("lon").GetDouble(), 0.000002);
                Assert.Equal(3, t.GetProperty("mode").GetInt32());
            }
        );
        var sky = Decoded(bytes)
            .Where(o => o.GetProperty("class").GetString() == "SKY" && o.TryGetProperty("satellites", out _))
            .Select(o => o.GetProperty("satellites").GetArrayLength())
            .DefaultIfEmpty(-1)
            .Max();
        Assert.Equal(picture.Sky.Count, sky);
    }

    private static List<JsonElement> Decoded(byte[] bytes)
    {
        using var process = Process.Start(
            new ProcessStartInfo("gpsdecode", "-j")
            {
                RedirectStandardInput = true,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        process.StandardInput.BaseStream.Write(bytes);
        process.StandardInput.Close();
        var lines = process.StandardOutput.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries);
        process.WaitForExit();
        return [.. lines.Where(l => l.StartsWith('{')).Select(l => JsonDocument.Parse(l).RootElement)];
    }

    // B5 62, message 01 07, 100 bytes announced; after 20 of them the line was cut and the next frame began.
    [Fact]
    public void A_frame_that_begins_inside_one_that_was_cut_off_is_not_lost()
    {
        byte[] cut = [0xB5, 0x62, 0x01, 0x07, 100, 0, .. new byte[20]];
        var good = new UbxFrame(UbxMessage.NavPvt, [.. Enumerable.Range(0, 92).Select(i => (byte)i)]);
        var reader = new GnssReader();
        reader.Read([.. cut, .. good.Bytes(), .. new byte[100]]);
        Assert.Equal(good.Payload, Assert.Single(reader.TakeFrames()).Payload);
        Assert.Equal((1, 1), (reader.Broken, reader.Whole));

        // The same of sentences: the one without an end, and the one that begins in it.
        reader.Read("$GPGGA,1,2,$GPTXT,hello*01\r\n"u8);
        Assert.Equal("GPTXT", Assert.Single(reader.TakeSentences()).Head);
    }

    [Fact]
    public void Whatever_comes_the_reader_ends_and_is_in_step_again()
    {
        var good = new UbxFrame(UbxMessage.NavPvt, new byte[92]).Bytes();
        byte[] whole = [.. Said(GnssGeneration.Older, null, 2), .. good];
        Gen.Select(Gen.Byte.Array[0, 300], Gen.Int[0, whole.Length - 1].Array[0, 12], Gen.Int[1, 64])
            .Holds(
                (noise, broken, step) =>
                {
                    var stream = (byte[])whole.Clone();
                    foreach (var at in broken)
                    {
                        stream[at] ^= 0x41;
                    }
                    // After noise and at most one longest frame it is in step again.
                    byte[] all = [.. noise, .. stream, .. new byte[GnssReader.MostPayload + UbxFrame.Around], .. good];
                    var reader = new GnssReader();
                    for (var at = 0; at < all.Length; at += step)
                    {
                        reader.Read(all.AsSpan(at, Math.Min(step, all.Length - at)));
                    }
                    var frames = reader.TakeFrames();
                    Assert.Equal(UbxMessage.NavPvt, frames[^1].Message);
                    // Whatever was made of it is no reason to fall.
                    GnssPicture.Of(frames, reader.TakeSentences(), 1, 0);
                },
                of: 10_000
            );
    }

    [Fact]
    public void However_it_is_cut_the_same_comes_out()
    {
        var bytes = Said(GnssGeneration.Newer, m => SetUp(m, GnssGeneration.Newer), 3);
        var once = new GnssReader();
        once.Read(bytes);
        var slowly = new GnssReader();
        foreach (var one in bytes)
        {
            slowly.Read([one]);
        }
        Assert.Equal((once.Whole, once.Noise), (slowly.Whole, slowly.Noise));
        Assert.True(once.Whole > 10);
    }

    // The line of the budget: with it full a module's words are lost, below it none is.
    [Fact]
    public void What_the_budget_calls_too_much_is_lost_and_what_it_calls_fitting_is_not()
    {
        foreach (var (baud, hertz) in new[] { (9_600, 1), (9_600, 5), (57_600, 5), (38_400, 10), (115_200, 10) })
        {
            var module = new SimulatedModule(new ModuleKind(GnssGeneration.Older, SetupMemory.Saves, Baud: baud));
            module.SetBaud(baud);
            module.Wait(TimeSpan.FromSeconds(40));
            foreach (var frame in SetupFrames.Of(new ModuleWish(GnssGeneration.Older, baud, hertz)))
            {
                module.Write(frame.Frame.Bytes());
                module.Wait(TimeSpan.FromSeconds(1));
            }
            module.Read(new byte[1 << 20]);
            module.Wait(TimeSpan.FromSeconds(20));
            var bytes = new byte[1 << 20];
            var reader = new GnssReader();
            reader.Read(bytes.AsSpan(0, module.Read(bytes)));
            var heard = reader.TakeFrames().Count(f => f.Message == UbxMessage.NavPosllh) / 20.0;
            var all = reader.Whole / 20.0;
            var budget = MessageBudget.Of("UBX", GnssGeneration.Older, 14, hertz, baud);
            var asked = budget.Lines.Sum(l => l.PerSecond);
            Assert.Equal(budget.Load <= 1, all > 0.97 * asked);
            Assert.True(heard > 0, $"{baud} {hertz}".ToString(CultureInfo.InvariantCulture));
        }
    }

    [Fact]
    public void The_least_baud_and_the_highest_rate_are_the_edge()
    {
        foreach (var generation in Enum.GetValues<GnssGeneration>())
        {
            foreach (
                var (protocol, satellites) in new[] { ("UBX", 0), ("UBX", 20), ("UBX", 60), ("NMEA", 12), ("NMEA", 40) }
            )
            {
                foreach (var hertz in new[] { 1, 5, 10, 18, 25 })
                {
                    var budget = MessageBudget.Of(protocol, generation, satellites, hertz, 57_600);
                    double Load(int baud, int rate) =>
                        MessageBudget.Of(protocol, generation, satellites, rate, baud).Load;
                    if (budget.LeastBaud is { } least)
                    {
                        Assert.True(Load(least, hertz) <= MessageBudget.Full);
                        Assert.DoesNotContain(
                            MessageBudget.Bauds.Where(b => b < least),
                            b => Load(b, hertz) <= MessageBudget.Full
                        );
                    }
                    if (budget.MostHertz > 0)
                    {
                        Assert.True(Load(57_600, budget.MostHertz) <= MessageBudget.Full + 1e-9);
                    }
                    if (budget.MostHertz < MessageBudget.MostHertz)
                    {
                        Assert.True(Load(57_600, budget.MostHertz + 1) > MessageBudget.Full);
                    }
                }
            }
        }
    }
}
