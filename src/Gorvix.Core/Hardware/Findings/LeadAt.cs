namespace Gorvix.Core.Hardware.Findings;

/// <summary>A lead of a device within a build: two ids that mean one thing only together.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">Id of the lead.</param>
public readonly record struct LeadAt(string Device, string Lead);
