<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Labels\LabelSize;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** Labels: what stands on them, that a scanner reads them, and where a list of them comes from. */
final class LabelsTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->as('101');
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function sheet(string $list, array $with = []): TestResponse
    {
        return $this->from('/labels')->post('/labels', [
            'list' => $list, 'size' => 'a4-24', 'first' => '1', 'day' => CarbonImmutable::today()->format('Y-m-d'),
            ...$with,
        ]);
    }

    /** @param  list<string>  $command */
    private static function read(string $pdf, array $command): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'labels');
        file_put_contents($file, $pdf);
        $command = array_map(static fn (string $part): string => str_replace('FILE', $file, $part), $command);
        $said = (new Process($command))->mustRun()->getOutput();
        array_map(unlink(...), glob("{$file}*") ?: []);

        return $said;
    }

    private static function text(string $pdf): string
    {
        return self::read($pdf, ['pdftotext', '-layout', 'FILE', '-']);
    }

    /** @return list<string> what a scanner reads on a sheet */
    private static function scanned(string $pdf): array
    {
        $read = self::read($pdf, [
            'sh', '-c', 'pdftoppm -r 300 -png FILE FILE && zbarimg --quiet --raw FILE*.png',
        ]);
        $lines = explode("\n", trim($read));
        sort($lines);

        return $lines;
    }

    public function test_a_label_says_what_it_is_and_costs_and_a_scanner_reads_it(): void
    {
        $barcode = (string) Item::query()->where('code', 'LH-1140')->value('barcode');
        DB::table('items')->where('code', 'LH-1141')->update(['barcode' => null]);
        DB::table('items')->where('code', 'LH-1140')
            ->update(['content' => '2.5', 'content_unit' => 'kg', 'shelf' => 'B 14']);
        $pdf = (string) $this->sheet("2 x LH-1140  Whatever\nlh-1141")->assertOk()->getContent();
        $text = self::text($pdf);
        self::assertSame(2, substr_count($text, '3.85'));
        self::assertSame(2, substr_count($text, '1.54 / kg'));
        self::assertSame(2, substr_count($text, 'B 14'));
        self::assertStringContainsString('4.40', $text);
        self::assertSame([$barcode, 'LH-1141'], self::scanned($pdf));
    }

    public function test_the_price_is_that_of_the_day_for_a_passer_by_beside_the_list_price(): void
    {
        $item = Item::query()->where('code', 'LH-1140')->sole();
        $today = CarbonImmutable::today();
        $item->promotions()->create([
            'name' => 'Autumn', 'price' => '2.95', 'from_date' => $today->addDay(), 'until_date' => $today->addDays(9),
        ]);
        self::assertStringNotContainsString('2.95', self::text((string) $this->sheet('LH-1140')->getContent()));
        $tomorrow = ['day' => $today->addDay()->format('Y-m-d')];
        $text = self::text((string) $this->sheet('LH-1140', $tomorrow)->getContent());
        self::assertStringContainsString('2.95', $text);
        self::assertStringContainsString('was 3.85', $text);
    }

    /** @return iterable<string, array{string}> */
    public static function sizes(): iterable
    {
        $read = json_decode((string) file_get_contents(__DIR__.'/../../resources/labels/sizes.json'), true);

        foreach (is_array($read) ? $read : [] as $size) {
            yield $size['words'] => [$size['name']];
        }
    }

    #[DataProvider('sizes')]
    public function test_every_size_fits_its_paper_and_can_be_scanned(string $name): void
    {
        $size = LabelSize::named($name);
        [$left, $top] = $size->corner($size->onPage() - 1);
        self::assertLessThanOrEqual($size->pageWidth + 0.01, $left + $size->width);
        self::assertLessThanOrEqual($size->pageHeight + 0.01, $top + $size->height);
        $pdf = (string) $this->sheet('2 x MA-0031', ['size' => $name])->assertOk()->getContent();
        $code = (string) (Item::query()->where('code', 'MA-0031')->value('barcode') ?? 'MA-0031');
        self::assertContains($code === '' ? 'MA-0031' : $code, self::scanned($pdf));
        self::assertSame($size->isRoll() ? 2 : 1, substr_count($pdf, '/Type /Page ')
            + substr_count($pdf, "/Type /Page\n"));
    }

    public function test_a_sheet_begins_at_the_label_that_is_left_and_the_size_is_kept(): void
    {
        $pages = static fn (string $pdf): string => self::read($pdf, ['pdfinfo', 'FILE']);
        self::assertMatchesRegularExpression(
            '/Pages:\s+1\b/',
            $pages((string) $this->sheet('8 x LH-1140', ['size' => 'a4-8'])->getContent()),
        );
        self::assertMatchesRegularExpression(
            '/Pages:\s+2\b/',
            $pages((string) $this->sheet('8 x LH-1140', ['size' => 'a4-8', 'first' => '2'])->getContent()),
        );
        $this->get('/labels')->assertSeeInOrder(['value="a4-8"', 'selected', 'A4 sheet, 8 of'], false);
    }

    public function test_lists_come_from_the_items_the_markdowns_and_the_changes_of_price(): void
    {
        $this->get('/labels?from=items&find=hook')->assertSee(['LH-1140', 'LH-1141'])->assertDontSee('MA-0031');
        $this->get('/labels?from=items&code=MA-0031')->assertSee('MA-0031')->assertDontSee('LH-1140');
        $this->get('/labels?from=markdowns')->assertDontSee('LH-1140');
        DB::table('items')->where('code', 'LH-1140')
            ->update(['marked_price' => '3', 'marked_on' => CarbonImmutable::today()]);
        $this->get('/labels?from=markdowns')->assertSee('LH-1140');
        $this->get('/labels?from=prices&since=nonsense')->assertOk()->assertDontSee('MA-0031');
        PriceChange::query()->create([
            'item_id' => Item::query()->where('code', 'MA-0031')->sole()->id, 'staff_id' => 3, 'field' => 'list price',
            'was' => '94', 'became' => '88',
        ]);
        $this->get('/labels?from=prices')->assertSee('MA-0031')->assertDontSee('LH-1141');
        $this->get('/labels?from=nowhere')->assertOk();
    }

    public function test_a_purchase_has_a_label_for_each_piece_that_came(): void
    {
        $purchase = (int) DB::table('purchases')->insertGetId([
            'label' => 'PO-7', 'key' => (string) Str::uuid(), 'location_id' => 1, 'staff_id' => 3, 'state' => 'sent',
            'made_on' => CarbonImmutable::today(),
            'supplier_id' => DB::table('suppliers')->insertGetId(['code' => 'HOLM', 'name' => 'Holm Quarries']),
        ]);

        foreach (['LH-1140' => '3', 'PI-2800' => '12.5', 'MA-0031' => '0'] as $code => $received) {
            $item = Item::query()->where('code', $code)->sole();
            DB::table('purchase_lines')->insert([
                'purchase_id' => $purchase, 'position' => $item->id, 'item_id' => $item->id, 'quantity' => '20',
                'cost' => '1', 'received' => $received,
            ]);
        }

        $this->get('/labels?from=purchase&label=PO-7')
            ->assertSee(['3 x LH-1140', 'PI-2800'])
            ->assertDontSee('x PI-2800')
            ->assertDontSee('MA-0031');
        $this->as('301')->get('/purchases/PO-7')->assertSee('labels?from=purchase', false);
        $this->get('/labels?from=purchase')->assertOk();
    }

    public function test_what_is_typed_wrong_is_said_and_nothing_is_lost(): void
    {
        $this->assertRefused('Line 2: nothing is called “NO-SUCH”', $this->sheet("LH-1140\n3 x NO-SUCH thing"));
        self::assertSame("LH-1140\n3 x NO-SUCH thing", session()->getOldInput('list'));
        $this->sheet('')->assertSessionHasErrors('list');
        $this->assertRefused('more than 3,000 labels', $this->sheet('3001 x LH-1140'));
        $this->sheet('LH-1140', ['size' => 'a5'])->assertSessionHasErrors('size');
        $this->sheet('LH-1140', ['first' => '0'])->assertSessionHasErrors('first');
        $this->sheet('LH-1140', ['day' => 'tomorrow'])->assertSessionHasErrors('day');
    }
}
