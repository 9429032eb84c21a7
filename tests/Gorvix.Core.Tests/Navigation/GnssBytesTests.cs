using System.Text;
using Gorvix.Core.Wired.Gnss;

namespace Gorvix.Core.Tests.Navigation;

/// <summary>
/// Byte by byte, worked out by hand from the frame structure of the interface description and from IEC 61162-1. Each stream is given to the reader
/// whole and in single bytes.
/// </summary>
public class GnssBytesTests
{
    // What came out: sentences by their head, frames by the length of their payload.
    private sealed record Came(string[] Heads, int[] Lengths, int Whole, int Broken, long Noise);

    private static Came Read(params byte[] bytes)
    {
        var (once, slowly) = (new GnssReader(), new GnssReader());
        once.Read(bytes);
        foreach (var one in bytes)
        {
            slowly.Read([one]);
        }
        var (came, again) = (Of(once), Of(slowly));
        Assert.Equal(
            (string.Join(' ', came.Heads), came.Lengths.Sum(), came.Whole, came.Broken, came.Noise),
            (string.Join(' ', again.Heads), again.Lengths.Sum(), again.Whole, again.Broken, again.Noise)
        );
        return came;
    }

    private static Came Read(string text) => Read(Encoding.Latin1.GetBytes(text));

    private static Came Of(GnssReader reader)
    {
        var (heads, lengths) = (reader.TakeSentences(), reader.TakeFrames());
        Assert.Empty(reader.TakeSentences());
        Assert.Empty(reader.TakeFrames());
        return new Came(
            [.. heads.Select(s => s.Head)],
            [.. lengths.Select(f => f.Payload.Length)],
            reader.Whole,
            reader.Broken,
            reader.Noise
        );
    }

    private static byte[] Frame(int payload) => new UbxFrame(UbxMessage.NavSat, new byte[payload]).Bytes();

    [Theory]
    [InlineData(0)]
    [InlineData(255)]
    [InlineData(256)]
    [InlineData(368)]
    [InlineData(GnssReader.MostPayload)]
    public void A_frame_of_any_length_up_to_the_longest_is_whole(int payload)
    {
        var came = Read(Frame(payload));
        Assert.Equal((payload, 1, 0, 0), (came.Lengths.Single(), came.Whole, came.Broken, came.Noise));
    }

    [Fact]
    public void A_longer_one_is_noise()
    {
        var came = Read(Frame(GnssReader.MostPayload + 1));
        Assert.Equal((0, 0, GnssReader.MostPayload + 1 + UbxFrame.Around), (came.Whole, came.Broken, came.Noise));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Either_sum_alone_breaks_a_frame(int fromEnd)
    {
        var bytes = Frame(4);
        bytes[^fromEnd] ^= 1;
        var came = Read(bytes);
        Assert.Equal((0, 1, bytes.Length), (came.Whole, came.Broken, came.Noise));
    }

    [Fact]
    public void What_lies_between_is_counted_as_noise()
    {
        var came = Read([1, 2, 3, .. Frame(4), 9, .. Frame(8)]);
        Assert.Equal((2, 0, 4), (came.Whole, came.Broken, came.Noise));
        Assert.Equal([4, 8], came.Lengths);
    }

    [Fact]
    public void A_first_sign_without_the_second_is_noise_and_what_follows_is_read()
    {
        Assert.Equal((1, 1, 0), Short(Read([0xB5, .. "$J*4A\r\n"u8])));
        Assert.Equal((1, 1, 0), Short(Read([0xB5, .. Frame(4)])));
    }

    // XOR of one letter is the letter: J is 4A, O is 4F, I is 49, @ is 40.
    [Theory]
    [InlineData("$J*4A\r\n")]
    [InlineData("$J*4a\r\n")]
    [InlineData("$O*4F\r\n")]
    [InlineData("$O*4f\r\n")]
    [InlineData("$I*49\r\n")]
    [InlineData("$@*40\r\n")]
    [InlineData("$J*4A\n")]
    public void A_sum_is_two_digits_of_either_case(string text) => Assert.Equal((1, 0, 0), Short(Read(text)));

    [Theory]
    [InlineData("$J*4B\r\n")]
    [InlineData("$J*4\r\n")]
    [InlineData("$J*04A\r\n")]
    [InlineData("$J*4g\r\n")]
    [InlineData("$J*4G\r\n")]
    [InlineData("$J*4:\r\n")]
    [InlineData("$J*4/\r\n")]
    [InlineData("$J*4@\r\n")]
    [InlineData("$J*4`\r\n")]
    [InlineData("$J*:A\r\n")]
    [InlineData("$J4A\r\n")]
    [InlineData("$*00\r\n")]
    [InlineData("$J\u0001*4B\r\n")]
    [InlineData("$J\u007f*35\r\n")]
    public void What_is_no_sentence_is_broken_and_all_of_it_noise(string text) =>
        Assert.Equal((0, text.Length, 1), Short(Read(text)));

    [Fact]
    public void Sentences_follow_each_other_without_a_gap()
    {
        var came = Read("$J*4A\r\n$O*4F\r\n$I*49\r\n");
        Assert.Equal(["J", "O", "I"], came.Heads);
        Assert.Equal((3, 0, 0), Short(came));
    }

    [Fact]
    public void A_sentence_that_begins_in_another_ends_it()
    {
        Assert.Equal((1, 1, 0), Short(Read("$$J*4A\r\n")));
        Assert.Equal((1, 5, 0), Short(Read("$GPGG$J*4A\r\n")));
        Assert.Equal((1, 5, 0), Short(Read([.. "$GPGG"u8, .. Frame(4)])));
    }

    // 82 signs with the dollar and the line end: a body of 76 after the dollar, star and two digits. An even number of one letter XORs to nothing.
    [Theory]
    [InlineData(76, 1)]
    [InlineData(78, 0)]
    public void A_sentence_has_at_most_82_signs(int body, int whole)
    {
        var came = Read($"${new string('J', body)}*00\r\n");
        Assert.Equal((whole, 0), (came.Whole, came.Broken));
        Assert.Equal(whole == 1 ? 0 : body + 6, came.Noise);
    }

    [Fact]
    public void An_endless_sentence_does_not_hold_up_what_follows() =>
        Assert.Equal((1, 200, 0), Short(Read($"${new string('J', 199)}$J*4A\r\n")));

    private static (int Whole, long Noise, int Broken) Short(Came came) => (came.Whole, came.Noise, came.Broken);
}
