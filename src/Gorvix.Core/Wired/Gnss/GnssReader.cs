using System.Text;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>
/// Reads what a GNSS module says, byte by byte as it comes: frames and sentences in any mixture. What is broken is skipped and counted;
/// after at most one frame's length it is in step again.
/// </summary>
/// <remarks>
/// The bytes that are not decided yet stand in one buffer. A head that turns out to be none gives up its first byte only, so a frame that
/// begins inside what looked like another one is not lost.
/// </remarks>
public sealed class GnssReader
{
    /// <summary>A frame with more payload than this is taken for noise: the longest that a module sends has far less.</summary>
    public const int MostPayload = 2048;

    private readonly List<UbxFrame> _frames = [];
    private readonly List<NmeaSentence> _sentences = [];
    private byte[] _held = new byte[4096];
    private int _count;

    /// <summary>Bytes that belonged to nothing.</summary>
    public long Noise { get; private set; }

    /// <summary>Frames and sentences whose sum was wrong.</summary>
    public int Broken { get; private set; }

    /// <summary>Frames and sentences that were whole.</summary>
    public int Whole { get; private set; }

    /// <summary>The frames since this was asked last.</summary>
    public IReadOnlyList<UbxFrame> TakeFrames() => Take(_frames);

    /// <summary>The sentences since this was asked last.</summary>
    public IReadOnlyList<NmeaSentence> TakeSentences() => Take(_sentences);

    /// <summary>Takes bytes as they come.</summary>
    public void Read(ReadOnlySpan<byte> bytes)
    {
        if (_count + bytes.Length > _held.Length)
        {
            Array.Resize(ref _held, Math.Max(_held.Length * 2, _count + bytes.Length));
        }
        bytes.CopyTo(_held.AsSpan(_count));
        _count += bytes.Length;
        var at = 0;
        while (at < _count)
        {
            var rest = _held.AsSpan(at, _count - at);
            var taken = rest[0] switch
            {
                UbxFrame.First => Frame(rest),
                (byte)'$' => Sentence(rest),
                _ => Skip(rest),
            };
            if (taken == 0)
            {
                break;
            }
            at += taken;
        }
        _held.AsSpan(at, _count - at).CopyTo(_held);
        _count -= at;
    }

    private static List<T> Take<T>(List<T> from)
    {
        List<T> taken = [.. from];
        from.Clear();
        return taken;
    }

    private int Lost(int bytes)
    {
        Noise += bytes;
        return bytes;
    }

    private int Skip(ReadOnlySpan<byte> rest)
    {
        var next = rest.IndexOfAny(UbxFrame.First, (byte)'$');
        return Lost(next < 0 ? rest.Length : next);
    }

    // 0 while more bytes are needed.
    private int Frame(ReadOnlySpan<byte> rest)
    {
        if (rest.Length > 1 && rest[1] != UbxFrame.Second)
        {
            return Lost(1);
        }
        if (rest.Length < 6)
        {
            return 0;
        }
        var length = rest[4] | (rest[5] << 8);
        if (length > MostPayload)
        {
            return Lost(1);
        }
        if (rest.Length < length + UbxFrame.Around)
        {
            return 0;
        }
        var sums = Checksum.Fletcher8.Over(rest.Slice(2, length + 4));
        if (rest[length + 6] != sums >> 8 || rest[length + 7] != (sums & 0xFF))
        {
            Broken++;
            return Lost(1);
        }
        Whole++;
        _frames.Add(new UbxFrame((UbxMessage)((rest[2] << 8) | rest[3]), rest.Slice(6, length).ToArray()));
        return length + UbxFrame.Around;
    }

    private int Sentence(ReadOnlySpan<byte> rest)
    {
        var window = rest[..Math.Min(rest.Length, NmeaSentence.Most)];
        var end = window.IndexOf((byte)'\n');
        var other = window[1..].IndexOfAny(UbxFrame.First, (byte)'$');
        if (other >= 0 && (end < 0 || other + 1 < end))
        {
            return Lost(1);
        }
        if (end < 0)
        {
            return rest.Length >= NmeaSentence.Most ? Lost(1) : 0;
        }
        var line = window[..end].TrimEnd((byte)'\r');
        var star = line.LastIndexOf((byte)'*');
        if (star < 2 || line.Length != star + 3 || line.ContainsAnyExceptInRange((byte)' ', (byte)'~'))
        {
            Broken++;
            return Lost(1);
        }
        var body = line[1..star];
        if (Checksum.Xor8.Over(body) != ((Digit(line[star + 1]) << 4) | Digit(line[star + 2])))
        {
            Broken++;
            return Lost(1);
        }
        var fields = Encoding.ASCII.GetString(body).Split(',');
        Whole++;
        _sentences.Add(new NmeaSentence(fields[0], fields[1..]));
        return end + 1;
    }

    // Below zero where it is none, so that no sum agrees.
    private static int Digit(byte letter) =>
        letter switch
        {
            >= (byte)'0' and <= (byte)'9' => letter - '0',
            >= (byte)'A' and <= (byte)'F' => letter - 'A' + 10,
            >= (byte)'a' and <= (byte)'f' => letter - 'a' + 10,
            _ => -256,
        };
}
