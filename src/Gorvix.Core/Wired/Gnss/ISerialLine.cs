namespace Gorvix.Core.Wired.Gnss;

/// <summary>A serial line to a module: an adapter of the machine, or the stand-in that ships.</summary>
public interface ISerialLine
{
    /// <summary>What it is called.</summary>
    string Name { get; }

    /// <summary>Talks and hears at another rate from now on.</summary>
    /// <exception cref="IOException">The adapter is gone, or does not do this rate.</exception>
    void SetBaud(int baud);

    /// <summary>Sends bytes.</summary>
    /// <exception cref="IOException">The adapter is gone.</exception>
    void Write(ReadOnlySpan<byte> bytes);

    /// <summary>Takes what has come.</summary>
    /// <returns>How many bytes; 0 when nothing has come.</returns>
    /// <exception cref="IOException">The adapter is gone.</exception>
    int Read(Span<byte> into);

    /// <summary>Lets time pass.</summary>
    void Wait(TimeSpan time);

    /// <summary>Takes the module's power away and gives it back; false where only a hand can do that.</summary>
    bool TryCyclePower();
}
