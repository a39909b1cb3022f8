<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Chain\SealedBlocks;
use Elmstone\Books\Chain\ShopKey;
use Elmstone\Core\Proof\Link;
use Elmstone\Core\Proof\Verified;
use Elmstone\Core\Proof\Verifier;
use Elmstone\Ledger\Audit\AuditFile;
use Elmstone\Shop\Till;
use Elmstone\Support\Report\Period;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** What is handed to the auditor, and what is found in it when somebody has been at it. */
final class AuditTest extends FeatureCase
{
    use Drawers;
    use Returning;

    /** @return list<string> sales of three days, one of which is closed and signed */
    private function file(): array
    {
        $today = CarbonImmutable::today();
        $this->travelTo($today->subDays(2)->setTime(9, 0));
        $this->sell('LH-1140');
        $this->sell('MA-0031');
        $this->travelTo($today->subDay()->setTime(9, 0));
        $account = $this->account('500.00');
        $this->charge($account, '2 x LH-1141');
        $sale = $this->sell('PI-2800');
        $this->travelBack();
        $this->as('201')->counts([])->assertSessionHasNoErrors();
        $this->closes('0', 'nobody counted')->assertSessionHasNoErrors();
        $this->post('/calendar/close', [
            'location' => (string) $this->location(), 'day' => $today->subDays(2)->format('Y-m-d'),
        ])->assertRedirect()->assertSessionHasNoErrors();
        $this->opens()->assertSessionHasNoErrors();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
        $this->does('post')->assertOk();

        return $this->lines($today->subDays(2), $today);
    }

    /** @return list<string> */
    private function lines(CarbonImmutable $from, CarbonImmutable $until): array
    {
        return iterator_to_array(app(AuditFile::class)->lines(Period::between($from, $until)), false);
    }

    private function location(): int
    {
        return Till::query()->findOrFail(1)->location_id;
    }

    /** @param  list<string>  $lines */
    private function said(array $lines): string
    {
        return implode("\n", $this->found($lines)->faults);
    }

    /** @param  list<string>  $lines */
    private function found(array $lines): Verified
    {
        return Verifier::check($lines, ShopKey::find()->fingerprint());
    }

    /** @param  list<string>  $lines */
    private function at(array $lines, string $label): int
    {
        foreach ($lines as $place => $line) {
            if (str_starts_with($line, '{"digest"') && str_contains($line, "\"label\":\"{$label}\"")) {
                return $place;
            }
        }

        $this->fail("There is no {$label}.");
    }

    public function test_a_period_as_it_is_has_no_faults(): void
    {
        $lines = $this->file();
        $found = $this->found($lines);
        $this->assertSame([], $found->faults);
        $this->assertSame([$this->rows('documents'), 1], [$found->documents, $found->days]);
        $this->assertSame('Quarry Lane Stores', $found->shop);
        $this->assertProves();

        // A part of it, too: what came before stands in the balances before.
        $part = $this->lines(CarbonImmutable::today()->subDay(), CarbonImmutable::today());
        $this->assertSame([], $this->found($part)->faults);
    }

    public function test_sealed_text_is_written_once_and_is_the_same_from_files(): void
    {
        Storage::fake('local');
        $rows = $this->file();
        $last = DB::table('series')->where('kind', 'invoice')->value('last_number');
        $this->assertGreaterThan(3, $last);
        $this->app->bind(SealedBlocks::class, static fn (): SealedBlocks => new SealedBlocks(3));
        $files = static fn (): array => Storage::disk('local')->files('sealed');
        $body = static fn (array $lines): array => array_filter(
            $lines, static fn (string $line): bool => str_starts_with($line, '{"digest"'),
        );
        $today = CarbonImmutable::today();
        $this->assertSame([], $files());
        $this->assertSame($body($rows), $body($this->lines($today->subDays(2), $today)));
        $this->assertCount(1, preg_grep('/sealed\/invoice-3-3-[0-9a-f]{64}\.gz$/', $files()) ?: []);
        $kept = $files();
        $this->artisan('books:keep-sealed');
        $this->assertSame($kept, $files(), 'What is kept is kept once.');

        // A part of a file, and a file that is not there any more.
        $part = $body($this->lines($today->subDay(), $today));
        $this->assertNotSame([], $part);
        $this->assertSame([], array_diff($part, $body($rows)));
        Storage::disk('local')->delete($kept);
        $this->assertSame($body($rows), $body($this->lines($today->subDays(2), $today)));
        $this->assertSame($kept, $files());

        // Whoever changed a row is not in what was kept before; the check of the page reads the rows.
        DB::unprepared('DROP TRIGGER document_lines_no_update');
        $first = DB::table('documents')->where('label', 'INV-000001')->value('id');
        DB::table('document_lines')->where('document_id', $first)->update(['description' => 'something else']);
        $this->assertSame([], $this->found($this->lines($today->subDays(2), $today))->faults);
        $fresh = iterator_to_array(
            app(AuditFile::class)->lines(Period::between($today->subDays(2), $today), true), false,
        );
        $this->assertNotSame([], $this->found($fresh)->faults);
    }

    public function test_whatever_is_changed_dropped_doubled_or_moved_is_found(): void
    {
        $lines = $this->file();

        foreach (array_keys($lines) as $place) {
            $dropped = $lines;
            unset($dropped[$place]);
            $this->assertNotSame([], $this->found(array_values($dropped))->faults, "line {$place} dropped");

            $doubled = $lines;
            array_splice($doubled, $place, 0, [$lines[$place]]);
            $this->assertNotSame([], $this->found($doubled)->faults, "line {$place} doubled");

            if (isset($lines[$place + 1])) {
                $moved = $lines;
                [$moved[$place], $moved[$place + 1]] = [$lines[$place + 1], $lines[$place]];
                $this->assertNotSame([], $this->found($moved)->faults, "line {$place} moved");
            }

            preg_match_all('/\d/', $lines[$place], $digits, PREG_OFFSET_CAPTURE);

            foreach (array_slice($digits[0], 0, 400) as $i => [$digit, $at]) {
                if ($i % 19 === 0) {
                    $changed = $lines;
                    $changed[$place][$at] = $digit === '9' ? '8' : (string) ((int) $digit + 1);
                    $this->assertNotSame([], $this->found($changed)->faults, "line {$place}, place {$at}");
                }
            }
        }

        $this->assertNotSame([], $this->found([])->faults);
        $this->assertNotSame([], $this->found(array_slice($lines, 0, 5))->faults);
        $this->assertNotSame([], $this->found([...$lines, "{}\n"])->faults);
        $this->assertNotSame([], $this->found(["\0\xff not JSON"])->faults);
    }

    public function test_what_was_touched_is_named(): void
    {
        $lines = $this->file();
        $second = $this->at($lines, 'INV-000002');
        $third = $this->at($lines, 'INV-000003');

        $changed = $lines;
        $changed[$second] = str_replace('"total":10340', '"total":10341', $lines[$second]);
        $this->assertStringContainsString('INV-000002: it does not say what it said', $this->said($changed));

        $dropped = $lines;
        unset($dropped[$second]);
        $said = $this->said(array_values($dropped));
        $this->assertStringContainsString('INV-000002 is missing', $said);
        $this->assertStringContainsString('Account cash', $said);

        $moved = $lines;
        [$moved[$second], $moved[$third]] = [$lines[$third], $lines[$second]];
        $this->assertStringContainsString(
            'INV-000002: it stands there twice, or was moved behind INV-000003', $this->said($moved),
        );
        $this->assertStringContainsString(
            'The file is signed with the key', implode(Verifier::check($lines, 'AAAA-BBBB-CCCC-DDDD-EEEE')->faults),
        );
        $cut = array_slice($lines, 0, $third);
        $this->assertStringContainsString('The end of the file is missing', $this->said($cut));
    }

    /** Somebody who knows the format writes the chain anew from where they changed it, but has no key. */
    public function test_a_chain_that_is_written_anew_is_found_by_what_was_signed(): void
    {
        $lines = $this->file();
        $last = str_repeat('0', 64);

        foreach ($lines as $place => $line) {
            if (! str_starts_with($line, '{"digest"')) {
                continue;
            }

            $says = substr($line, 88, -2);
            $head = json_decode($says, true)['head'];

            if ($head['kind'] !== 'invoice') {
                continue;
            }

            $says = str_replace('"customer_name":""', '"customer_name":"somebody else"', $says);
            $says = (string) preg_replace('/"before":"[0-9a-f]{64}"/', "\"before\":\"{$last}\"", $says, 1);
            $last = hash('sha256', $says);
            $lines[$place] = "{\"digest\":\"{$last}\",\"document\":{$says}}\n";
        }

        $export = json_decode($lines[0], true);

        foreach ($export['series'] as $i => $series) {
            $series['kind'] === 'invoice' && ($export['series'][$i]['end'] = $last);
        }

        $lines[0] = json_encode($export)."\n";
        $said = $this->said($lines);
        $this->assertStringContainsString('it is not the one that was signed when its day was closed', $said);
        $this->assertStringContainsString('The signature of the file does not fit it', $said);
        $this->assertStringNotContainsString('does not say what it said', $said);
        $this->assertSame(64, strlen(Link::NONE));
    }

    public function test_the_command_says_what_it_found_and_how_it_ended(): void
    {
        $lines = $this->file();
        $run = function (array $lines, string ...$options): array {
            $process = proc_open(
                [PHP_BINARY, base_path('bin/verify'), ...$options, '-'],
                [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes,
            );
            $this->assertIsResource($process);
            fwrite($pipes[0], implode($lines));
            fclose($pipes[0]);

            return [(string) stream_get_contents($pipes[1]), proc_close($process)];
        };
        [$said, $exit] = $run($lines, '--key='.ShopKey::find()->fingerprint());
        $this->assertSame(0, $exit, $said);
        $this->assertStringContainsString('All is right.', $said);
        $place = $this->at($lines, 'INV-000001');
        $lines[$place] = str_replace('LH-1140', 'LH-1141', $lines[$place]);
        [$said, $exit] = $run($lines);
        $this->assertSame(1, $exit);
        $this->assertStringContainsString('INV-000001: it does not say', $said);
        [, $exit] = $run(['nothing of ours']);
        $this->assertSame(2, $exit);
    }

    public function test_the_page_hands_over_and_says_what_is_found(): void
    {
        $lines = $this->file();
        $today = CarbonImmutable::today();
        $period = ['from' => $today->subDays(2)->format('Y-m-d'), 'until' => $today->format('Y-m-d')];
        $query = http_build_query($period);
        $this->as('301')->get("/auditor?{$query}")->assertOk()->assertSee(ShopKey::find()->fingerprint());
        $sent = $this->get("/auditor/export.jsonl?{$query}")->assertOk()->streamedContent();
        $this->assertSame([], $this->found(array_map(
            static fn (string $line): string => "{$line}\n", explode("\n", rtrim($sent, "\n")),
        ))->faults);
        $this->post('/auditor/check', $period)->assertOk()->assertSee('All is right.');
        $bad = UploadedFile::fake()->createWithContent('theirs.jsonl', implode(array_slice($lines, 0, -2)));
        $this->post('/auditor/check', [...$period, 'file' => $bad])->assertOk()->assertSee('theirs.jsonl')
            ->assertSee('The end of the file is missing');

        foreach (['accounts', 'journal', 'documents', 'customers', 'tax'] as $table) {
            $csv = $this->get("/auditor/tables/{$table}.csv?{$query}")->assertOk()->streamedContent();
            $this->assertGreaterThan(1, substr_count($csv, "\r\n"), $table);
            $this->get('/auditor/description.txt')->assertSee("{$table}.csv");
        }

        $journal = $this->get("/auditor/tables/journal.csv?{$query}")->streamedContent();
        $sum = array_sum(array_map(
            static fn (string $row): float => (float) (str_getcsv($row, escape: '')[5] ?? 0)
                - (float) (str_getcsv($row, escape: '')[6] ?? 0),
            array_slice(explode("\r\n", trim($journal)), 1),
        ));
        $this->assertEqualsWithDelta(0, $sum, 0.001);
        $this->as('901')->get('/security-log')->assertSee('auditor’s file');
        $this->as('201')->get('/auditor')->assertForbidden();
        $this->get("/auditor/export.jsonl?{$query}")->assertForbidden();
        $this->as('301')->get('/auditor/tables/secrets.csv')->assertNotFound();
    }

    public function test_a_closed_day_says_its_signature(): void
    {
        $this->file();
        $day = CarbonImmutable::today()->subDays(2)->format('Y-m-d');
        $this->as('201')->get("/day?day={$day}&at={$this->location()}")->assertOk()->assertSee('Closed and signed')
            ->assertSee(ShopKey::find()->fingerprint());
        $this->get("/day?at={$this->location()}")->assertOk()->assertDontSee('Closed and signed');
        $this->assertThrows(static fn () => DB::table('signed_heads')->update(['says' => '{}']));
    }
}
