using Gorvix.Browser.Tests;

[assembly: AssemblyFixture(typeof(Browsers))]
