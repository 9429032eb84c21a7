using Gorvix.Browser.Tests;

[assembly: AssemblyFixture(typeof(Browsers))]
[assembly: TestCollectionOrderer(typeof(LongestFirst))]
