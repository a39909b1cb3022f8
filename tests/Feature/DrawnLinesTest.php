<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** Of a long slip only what changed is drawn and sent; what the page has then is what it would have been sent whole. */
final class DrawnLinesTest extends FeatureCase
{
    /**
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer
     * @return array<int, string> the rows in it, by line
     */
    private static function lines(TestResponse $answer): array
    {
        preg_match_all('~<tr id="l(\d+)"(.*?)</tr>~s', (string) $answer->getContent(), $found, PREG_SET_ORDER);

        return array_column($found, 0, 1);
    }

    /**
     * What a page says that it shows.
     *
     * @param  array<int, string>  $rows
     */
    private static function drawn(array $rows): string
    {
        return implode(',', array_map(static function (int $line, string $row): string {
            preg_match('/data-digest="(\w+)"/', $row, $found);

            return "{$line}:".($found[1] ?? '');
        }, array_keys($rows), $rows));
    }

    /**
     * Does something as a page that shows some rows, and gives what it shows then.
     *
     * @param  array<int, string>  $shows
     * @param  array<string, mixed>  $fields
     * @return array{array<int, string>, list<int>} the rows, and those that were sent
     */
    private function after(array $shows, string $act, array $fields): array
    {
        $sent = self::lines($this->does($act, [...$fields, 'drawn' => self::drawn($shows)]));
        $new = array_filter($sent, static fn (string $row): bool => ! str_contains($row, 'data-same'));

        return [array_replace($sent, array_diff_key($shows, $new), $new), array_keys($new)];
    }

    /** @return array<int, string> the whole page, but for what marks the row that was just added */
    private function whole(): array
    {
        return self::lines($this->get("/counter/{$this->slip}")->assertOk());
    }

    public function test_only_what_changed_is_sent_and_the_page_is_as_if_all_had_been(): void
    {
        $this->add('LH-1140', 'WA-0001');
        $shows = $this->whole();
        [$first, $second] = array_keys($shows);
        $this->assertCount(2, $shows);

        [$shows, $sent] = $this->after($shows, 'add', ['entry' => 'MA-0031', 'version' => '']);
        $this->assertSame([$second + 1], $sent);
        // The row that was just added is not marked any more.
        [$shows, $sent] = $this->after($shows, "lines/{$second}", ['quantity' => '3']);
        $this->assertSame([$second, $second + 1], $sent);
        $this->assertSame($this->whole(), $shows);

        [$shows, $sent] = $this->after($shows, 'discount', ['discount' => '5 %']);
        $this->assertSame([], $sent);
        $this->assertSame($this->whole(), $shows);

        [$shows, $sent] = $this->after($shows, "lines/{$first}", ['price' => 'abc']);
        $this->assertSame([$first], $sent);
        $this->assertStringContainsString('complaint', $shows[$first]);

        // What was wrong with it is not said for ever.
        [$shows, $sent] = $this->after($shows, 'cash', ['cash' => '5']);
        $this->assertSame([$first], $sent);
        $this->assertSame($this->whole(), $shows);
    }

    public function test_what_needed_approval_is_drawn_again_when_it_does_not_any_more(): void
    {
        $this->add('3 x LH-1140');
        DB::table('stock')->update(['committed' => DB::raw('on_hand')]);
        $shows = $this->whole();
        [$first] = array_keys($shows);
        $this->assertStringContainsString('complaint', $shows[$first]);
        $this->as('901');
        [$shows] = $this->after($shows, 'cash', ['cash' => '5']);

        $this->assertSame($this->whole(), $shows);
    }

    public function test_what_somebody_else_changes_is_sent(): void
    {
        $this->add('LH-1140', 'WA-0001');
        $shows = $this->whole();
        DB::table('stock')->update(['on_hand' => 0]);
        [, $sent] = $this->after($shows, 'cash', ['cash' => '5']);

        $this->assertSame(array_keys($shows), $sent);
    }

    public function test_a_line_that_needs_approval_is_always_sent(): void
    {
        $this->add('LH-1140', 'WA-0001');
        $shows = $this->whole();
        [$first] = array_keys($shows);
        $this->does("lines/{$first}", [
            'price' => '1.00',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'damaged box',
        ])->assertOk();
        [, $sent] = $this->after($this->whole(), 'cash', ['cash' => '5']);

        $this->assertSame([$first], $sent);
    }
}
