namespace Circuitum.Fuzz;

/// <summary>What nobody types into a field, and somebody sends all the same.</summary>
internal static class Odd
{
    public static string Text(Random random) => Texts[random.Next(Texts.Length)];

    private static readonly string[] Texts =
    [
        "", " ", "0", "-1", "1", "999999999", "-2147483648", "2147483648", "1e308", "NaN", "12-6", "12' 6 1/2\"", "-5\"", "1000-0",
        "99999999-0", "0.0000001", "1/0", "3.2 m", "½", "٣",
        "é:ü", "\ufffe", "\uffff", ".1", "1.", "kitchen.", "kitchen.0", "kitchen.99", "a.b.c", "\r", "\n=1+1", "=1+1", "a;=1+1", "@x",
            "\t", "\u0007", "\u0000", "\ud800", "\udc00x", "\u202eabc", "abc\u2066", "\u2028",
        "<script>alert(1)</script>", "\"><img src=x>", "&amp;", "]]>", "' or 1=1 --", "../../etc/passwd", "%00", "%", "${7*7}", "{{7*7}}",
            "true", "false", "null", "undefined", "[]", "{}", "[[[[",
        new('x', 300), new('9', 60), new('(', 200), string.Concat(Enumerable.Repeat("á̂̃̄̅̆̇̈", 40)),
    ];
}
