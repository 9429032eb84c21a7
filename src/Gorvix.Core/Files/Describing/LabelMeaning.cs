namespace Gorvix.Core.Files.Describing;

/// <summary>What a printed label can stand for.</summary>
public enum LabelKind
{
    /// <summary>Where a serial unit listens.</summary>
    Rx,

    /// <summary>Where a serial unit talks.</summary>
    Tx,

    /// <summary>A bus's data wire.</summary>
    Data,

    /// <summary>A bus's clock wire.</summary>
    Clock,

    /// <summary>Common ground.</summary>
    Ground,

    /// <summary>The battery itself.</summary>
    Battery,

    /// <summary>A supply of so many volts.</summary>
    Supply,

    /// <summary>The picture from the camera.</summary>
    PictureIn,

    /// <summary>The video to the VTX.</summary>
    PictureOut,

    /// <summary>The level of the current sensor.</summary>
    Current,

    /// <summary>The level of the signal's strength.</summary>
    Strength,

    /// <summary>The keys of a camera.</summary>
    Keys,

    /// <summary>The buzzer's switched side.</summary>
    Buzzer,

    /// <summary>The wire of a light strip.</summary>
    Lights,

    /// <summary>A motor's or servo's signal.</summary>
    Motor,

    /// <summary>Not connected.</summary>
    Nothing,
}

/// <summary>One thing that a label can mean.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Number">The number of the serial unit, bus or motor; 0 where the label names none.</param>
/// <param name="Volts">The volts of a supply; 0 for anything else.</param>
public sealed record LabelMeaning(LabelKind Kind, int Number = 0, double Volts = 0)
{
    /// <summary>In a few words, as the builder reads them.</summary>
    public string Words =>
        Kind switch
        {
            LabelKind.Rx => Number == 0 ? Sentences.RxOfAPortThat : $"U{Number} RX",
            LabelKind.Tx => Number == 0 ? Sentences.TxOfAPortThat : $"U{Number} TX",
            LabelKind.Data => Sentences.ICDataSda,
            LabelKind.Clock => Sentences.ICClockScl,
            LabelKind.Ground => "ground",
            LabelKind.Battery => Sentences.BatteryUnregulated,
            LabelKind.Supply => $"{Volts:0.##} V supply",
            LabelKind.PictureIn => Sentences.VideoFromTheCamera,
            LabelKind.PictureOut => Sentences.VideoToTheVtx,
            LabelKind.Current => Sentences.CurrentSense,
            LabelKind.Strength => "RSSI",
            LabelKind.Keys => Sentences.CameraControl,
            LabelKind.Buzzer => "buzzer",
            LabelKind.Lights => Sentences.LedStrip,
            LabelKind.Motor => Sentences.MotorOrServo(Number),
            _ => Sentences.NotConnected,
        };
}

/// <summary>How sure a label is.</summary>
public enum LabelTrust
{
    /// <summary>It has one meaning in the trade.</summary>
    Certain,

    /// <summary>It can mean several things, or does not say which port it is of: measure before use.</summary>
    Doubtful,

    /// <summary>Nobody but its maker knows.</summary>
    Unknown,
}

/// <summary>What a label is read as.</summary>
/// <param name="Label">As printed.</param>
/// <param name="Trust">How sure that is.</param>
/// <param name="Meanings">What it can mean, the usual one first; one if it is certain, none if it is unknown.</param>
public sealed record LabelReading(string Label, LabelTrust Trust, IReadOnlyList<LabelMeaning> Meanings);
