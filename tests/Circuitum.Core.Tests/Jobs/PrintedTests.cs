using Circuitum.Core.Jobs;

namespace Circuitum.Core.Tests;

public sealed class PrintedTests
{
    [Theory]
    [InlineData("Kitchen, north wall 12' 6 1/2\"")]
    [InlineData("שלום")]
    [InlineData("a \u2067שלום\u2069 b")]
    [InlineData("\U0001F50C outlet")]
    [InlineData("")]
    public void What_prints_has_no_problem_and_stays_as_it_is(string text)
    {
        Assert.Null(Printed.Problem(text));
        Assert.Equal(text, Printed.Of(text));
    }

    [Theory]
    [InlineData("a\u0007b", "control character (U+0007)")]
    [InlineData("a\nb", "control character (U+000A)")]
    [InlineData("a\u2028b", "U+2028")]
    [InlineData("a\ufffe", "U+FFFE")]
    [InlineData("a\ufdd0", "U+FDD0")]
    [InlineData("a\U0001FFFE", "no character")]
    [InlineData("a\u202eb", "does not end it")]
    [InlineData("a\u2069b", "did not begin")]
    [InlineData("\u202aa\u2069b\u202c", "did not begin")]
    public void What_does_not_print_is_told(string text, string says) =>
        Assert.Contains(says, Printed.Problem(text), StringComparison.Ordinal);

    [Theory]
    [InlineData("  a \t b\r\nc ", "a b c")]
    [InlineData("a \u2067b \u202ac", "a \u2067b \u202ac\u202c\u2069")]
    public void What_is_typed_is_kept_on_one_line_with_its_directions_closed(string typed, string kept)
    {
        Assert.Equal(kept, Printed.Of(typed));
        Assert.Null(Printed.Problem(Printed.Of(typed)));
    }

    [Fact] // not as a theory: an attribute cannot hold half a character
    public void Half_a_character_is_told()
    {
        Assert.Contains("half a character", Printed.Problem("a\ud83d"), StringComparison.Ordinal);
        Assert.Contains("half a character", Printed.Problem("\udd0cb"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_text_is_never_cut_in_half_of_a_character()
    {
        Assert.Equal("ab", Printed.Cut("ab\U0001F50C", 3));
        Assert.Equal("ab\U0001F50C", Printed.Cut("ab\U0001F50C", 4));
    }

    [Fact]
    public void What_is_quoted_prints_whatever_it_was()
    {
        foreach (var text in new[] { new string('x', 10_000), "a\u0007\u202e\ud83d\ufffe\u2028b", new string('\u202e', 500) })
        {
            Assert.Null(Printed.Problem(Printed.Told(text)));
            Assert.InRange(Printed.Told(text).Length, 1, 241);
        }
    }
}
