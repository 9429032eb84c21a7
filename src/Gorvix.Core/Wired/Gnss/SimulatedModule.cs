using System.Buffers.Binary;
using System.Text;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>Where a simulated module lies.</summary>
public enum ModuleScene
{
    /// <summary>Under open sky: a first fix after half a minute.</summary>
    OpenSky,

    /// <summary>Indoors: weak satellites and never a fix.</summary>
    Indoors,
}

/// <summary>How a simulated module is wired to its adapter.</summary>
public enum ModuleWiring
{
    /// <summary>TX to RX and RX to TX.</summary>
    Crossed,

    /// <summary>TX to TX: neither hears the other.</summary>
    Straight,
}

/// <summary>What a simulated module is like.</summary>
/// <param name="Generation">How it is spoken to.</param>
/// <param name="Memory">Whether it keeps what was saved without power.</param>
/// <param name="Scene">Where it lies.</param>
/// <param name="Wiring">How it is wired.</param>
/// <param name="Baud">The bauds a second at which it left the factory.</param>
public sealed record ModuleKind(
    GnssGeneration Generation,
    SetupMemory Memory,
    ModuleScene Scene = ModuleScene.OpenSky,
    ModuleWiring Wiring = ModuleWiring.Crossed,
    int Baud = 9_600
);

/// <summary>
/// A stand-in for a GNSS module on a serial adapter: it says sentences as it comes, takes set-up frames of its generation and refuses those of
/// the other, saves them or forgets them, and says no more than its line carries. Time passes only when somebody waits on the line.
/// </summary>
public sealed class SimulatedModule : ISerialLine
{
    private readonly ModuleKind _kind;
    private readonly GnssReader _ear = new();
    private readonly Queue<byte> _said = new();
    private readonly Dictionary<int, int> _every = [];
    private Dictionary<int, int>? _savedEvery;
    private (int Baud, int Period) _saved;
    private int _baud;
    private int _period;
    private int _hostBaud = 9_600;
    private double _now;
    private double _next;
    private double _room;
    private double _on;
    private long _epochs;

    /// <summary>Makes one, as it left the factory.</summary>
    public SimulatedModule(ModuleKind kind)
    {
        _kind = kind;
        Factory();
    }

    /// <inheritdoc/>
    public string Name => Sentences.SimulatedModule;

    /// <summary>Bits per second at which it talks now.</summary>
    public int Baud => _baud;

    /// <inheritdoc/>
    public void SetBaud(int baud) => _hostBaud = baud;

    /// <inheritdoc/>
    public void Write(ReadOnlySpan<byte> bytes)
    {
        if (_kind.Wiring == ModuleWiring.Straight || _hostBaud != _baud)
        {
            return;
        }
        _ear.Read(bytes);
        foreach (var frame in _ear.TakeFrames())
        {
            Hear(frame);
        }
    }

    /// <inheritdoc/>
    public int Read(Span<byte> into)
    {
        var count = 0;
        while (count < into.Length && _said.TryDequeue(out var one))
        {
            into[count++] = one;
        }
        return _kind.Wiring == ModuleWiring.Straight ? 0 : count;
    }

    /// <inheritdoc/>
    public void Wait(TimeSpan time)
    {
        var until = _now + time.TotalMilliseconds;
        while (_next <= until)
        {
            _room = Math.Min(_room + ((_next - _now) * _baud / 10_000.0), _baud / 10.0);
            _now = _next;
            Epoch();
            _next += _period;
        }
        _room = Math.Min(_room + ((until - _now) * _baud / 10_000.0), _baud / 10.0);
        _now = until;
    }

    /// <inheritdoc/>
    public bool TryCyclePower()
    {
        _on = _now;
        _said.Clear();
        Factory();
        if (_savedEvery is { } saved && _kind.Memory == SetupMemory.Saves)
        {
            _every.Clear();
            foreach (var (message, every) in saved)
            {
                _every[message] = every;
            }
            (_baud, _period) = _saved;
        }
        _next = _now + _period;
        return true;
    }

    private void Factory()
    {
        _every.Clear();
        foreach (var (_, id, _) in SetupFrames.NmeaSentences)
        {
            _every[(SetupFrames.SentenceClass << 8) | id] = 1;
        }
        (_baud, _period, _next, _room) = (_kind.Baud, 1000, _now + 1000, 0);
    }

    private void Save() => (_savedEvery, _saved) = (new Dictionary<int, int>(_every), (_baud, _period));

    private void Hear(UbxFrame frame)
    {
        var taken = (frame.Message, _kind.Generation) switch
        {
            (UbxMessage.MonVer, _) => Version(),
            (UbxMessage.CfgMsg, GnssGeneration.Older) when frame.Payload.Length == 3 => Rate(frame.Payload),
            (UbxMessage.CfgRate, GnssGeneration.Older) when frame.Payload.Length == 6 => Period(
                BinaryPrimitives.ReadUInt16LittleEndian(frame.Payload)
            ),
            (UbxMessage.CfgPrt, GnssGeneration.Older) when frame.Payload.Length == 20 => Port(
                BinaryPrimitives.ReadUInt32LittleEndian(frame.Payload.AsSpan(8))
            ),
            (UbxMessage.CfgCfg, GnssGeneration.Older) when frame.Payload.Length is 12 or 13 => Configuration(
                frame.Payload
            ),
            (UbxMessage.CfgValset, GnssGeneration.Newer) when frame.Payload.Length >= 4 => Values(frame.Payload),
            (UbxMessage.CfgValdel, GnssGeneration.Newer) => Forget(),
            (UbxMessage.CfgRst, _) => Restart(),
            _ => (Action?)null,
        };
        if (frame.Message is UbxMessage.MonVer or UbxMessage.CfgRst)
        {
            taken?.Invoke();
            return;
        }
        // It answers as it was spoken to; a new baud holds from then on.
        Say(
            new UbxFrame(
                taken is null ? UbxMessage.AckNak : UbxMessage.AckAck,
                [(byte)((int)frame.Message >> 8), (byte)frame.Message]
            ).Bytes()
        );
        taken?.Invoke();
    }

    private Action Version() =>
        () =>
        {
            var payload = new byte[70];
            var newer = _kind.Generation == GnssGeneration.Newer;
            Encoding.ASCII.GetBytes(newer ? "SIM 4.0" : "SIM 2.0").CopyTo(payload, 0);
            Encoding.ASCII.GetBytes(newer ? "00B" : "00A").CopyTo(payload, 30);
            Encoding.ASCII.GetBytes(newer ? "PROTVER=34.10" : "PROTVER=18.00").CopyTo(payload, 40);
            Say(new UbxFrame(UbxMessage.MonVer, payload).Bytes());
        };

    private Action Rate(byte[] payload) => () => _every[(payload[0] << 8) | payload[1]] = payload[2];

    private Action? Period(int milliseconds) => milliseconds is < 40 or > 60_000 ? null : () => _period = milliseconds;

    private Action? Port(uint baud) => baud is < 4_800 or > 921_600 ? null : () => _baud = (int)baud;

    private Action Configuration(byte[] payload) =>
        () =>
        {
            if (BinaryPrimitives.ReadUInt32LittleEndian(payload) != 0)
            {
                _savedEvery = null;
            }
            if (BinaryPrimitives.ReadUInt32LittleEndian(payload.AsSpan(4)) != 0)
            {
                Save();
            }
            if (BinaryPrimitives.ReadUInt32LittleEndian(payload.AsSpan(8)) != 0)
            {
                Factory();
            }
        };

    private Action Forget() => () => _savedEvery = null;

    private Action Restart() => () => TryCyclePower();

    // The size of a value stands in bits 28 to 30 of its key: 1 and 2 are a byte, 3 two, 4 four, 5 eight.
    private Action? Values(byte[] payload)
    {
        var set = new List<Action>();
        for (var at = 4; at < payload.Length; )
        {
            if (at + 4 > payload.Length)
            {
                return null;
            }
            var key = BinaryPrimitives.ReadUInt32LittleEndian(payload.AsSpan(at));
            var size = (key >> 28) switch
            {
                1 or 2 => 1,
                3 => 2,
                4 => 4,
                5 => 8,
                _ => 0,
            };
            at += 4;
            if (size == 0 || at + size > payload.Length)
            {
                return null;
            }
            ulong value = 0;
            for (var i = size - 1; i >= 0; i--)
            {
                value = (value << 8) | payload[at + i];
            }
            at += size;
            if (Key(key, (uint)value) is not { } one)
            {
                return null;
            }
            set.Add(one);
        }
        var isSaved = (payload[1] & 6) != 0;
        return () =>
        {
            set.ForEach(s => s());
            if (isSaved)
            {
                Save();
            }
        };
    }

    private Action? Key(uint key, uint value)
    {
        foreach (var (_, id, sentence) in SetupFrames.NmeaSentences)
        {
            if (sentence == key)
            {
                return () => _every[(SetupFrames.SentenceClass << 8) | id] = (int)value;
            }
        }
        return key switch
        {
            SetupFrames.PvtKey => () => _every[(int)UbxMessage.NavPvt] = (int)value,
            SetupFrames.SatKey => () => _every[(int)UbxMessage.NavSat] = (int)value,
            SetupFrames.PeriodKey => Period((int)value),
            SetupFrames.BaudKey => Port(value),
            SetupFrames.UbxOutKey or SetupFrames.NmeaOutKey => () => { },
            _ => null,
        };
    }

    private void Epoch()
    {
        _epochs++;
        var sky = SimulatedSky.At(_kind.Scene, (_now - _on) / 1000, _now / 1000);
        foreach (var (message, _) in _every.Where(e => e.Value > 0 && _epochs % e.Value == 0).OrderBy(e => e.Key))
        {
            foreach (var bytes in SimulatedWords.Of(message, sky))
            {
                Say(bytes);
            }
        }
    }

    // What the line does not carry in time is lost whole.
    private void Say(byte[] bytes)
    {
        if (bytes.Length > _room + (_baud / 20.0))
        {
            return;
        }
        _room -= bytes.Length;
        foreach (var one in bytes)
        {
            // At another rate bits are read where there are none.
            _said.Enqueue(_hostBaud == _baud ? one : (byte)((one * 37) ^ 0x95 ^ (_hostBaud / 100)));
        }
    }
}
