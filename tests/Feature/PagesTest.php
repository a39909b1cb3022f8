<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceChange;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\DataProvider;
use Smalot\PdfParser\Parser;
use Symfony\Component\Process\Process;

/** The register, papers, items and devices. */
final class PagesTest extends FeatureCase
{
    public function test_every_view_compiles(): void
    {
        foreach (File::allFiles(resource_path('views')) as $view) {
            $php = Blade::compileString($view->getContents());
            $name = $view->getRelativePathname();
            $this->assertStringNotContainsString('@end', $php, "{$name}: something is not ended");
        }
    }

    public function test_the_register_finds_by_everything_it_offers(): void
    {
        $hook = $this->sell('2 x LH-1140');
        $pipe = $this->as('201')->sell('PI-2800');

        foreach (
            [
                ['number' => '1'],
                ['number' => 'inv-000001'],
                ['total' => '8.47'],
                ['item' => 'LH-1140'],
                ['item' => 'limestone'],
                ['clerk' => $hook->staff_id],
            ] as $filter
        ) {
            $this->get('/documents?'.http_build_query($filter))
                ->assertOk()
                ->assertSee('INV-000001')
                ->assertDontSee('INV-000002');
        }

        $this->get('/documents?tender=cash&from='.$pipe->business_date->format('Y-m-d'))
            ->assertSee('INV-000001')
            ->assertSee('INV-000002');
        $this->get('/documents?tender=card')->assertSee('No document matches');
        $this->get('/documents?until=2001-01-01')->assertSee('No document matches');
        $this->followingRedirects()
            ->get('/documents?total=eight')
            ->assertOk()
            ->assertSee('is not a number')
            ->assertSee('eight');
    }

    public function test_the_register_is_saved_as_csv(): void
    {
        $this->sell('2 x LH-1140');
        $csv = $this->get('/documents.csv?number=1')->assertOk()->streamedContent();
        $this->assertStringContainsString("\r\n", $csv);
        $this->assertMatchesRegularExpression(
            '/^INV-000001,invoice,\d{4}-\d\d-\d\d,.*,"?Clerk Clay"?,,7\.70,0\.77,8\.47,USD,cash,sale$/m',
            str_replace("\r", '', $csv),
        );
    }

    public function test_the_register_pages(): void
    {
        for ($i = 0; $i < 41; $i++) {
            $this->sell('WA-0001');
        }

        $this->get('/documents')->assertSee('INV-000041')->assertDontSee('INV-000001')->assertSee('Page 1');
        $this->get('/documents?page=2')->assertSee('INV-000001');
    }

    public function test_the_journal_is_for_those_allowed(): void
    {
        $label = $this->sell('LH-1140')->label;
        $this->get("/documents/{$label}")
            ->assertOk()
            ->assertDontSee('Journal');
        $this->as('301')
            ->get("/documents/{$label}")
            ->assertSee('Journal')
            ->assertSee('Cash in till');
        $this->get('/documents/INV-999999')->assertNotFound()->assertSee('nothing at this address');
    }

    public function test_papers_say_what_the_page_says_and_copies_that_they_are_copies(): void
    {
        $this->add('10 x LH-1140');
        $this->does('card', ['card' => '20'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $label = $this->document()->label;
        $lastFour = $this->document()->tenders->first()?->last_four;
        $printed = (string) DB::table('printed_papers')->value('html');

        foreach (
            [
                $label, 'Limestone hook', '38.50', 'State tax 10.00 % of 38.50', '3.85', '42.35',
                "ending {$lastFour}",
                '27.65',
            ] as $words
        ) {
            $this->assertStringContainsString($words, $printed);
        }

        $this->assertStringNotContainsString('COPY', $printed);
        $this->from('/counter')
            ->post("/documents/{$label}/print")
            ->assertRedirect();
        $this->assertStringContainsString('COPY', (string) DB::table('printed_papers')->latest('id')->value('html'));
        $this->get("/documents/{$label}/receipt")
            ->assertOk()
            ->assertSee('42.35');

        foreach (['invoice.pdf', 'receipt.pdf'] as $paper) {
            $text = (new Parser)
                ->parseContent(
                    (string) $this->get("/documents/{$label}/{$paper}")
                        ->assertOk()
                        ->getContent(),
                )
                ->getText();
            $this->assertStringContainsString('42.35', $text);
            $this->assertStringContainsString('COPY', $text);
        }

        $this->assertSame(2, $this->rows('paper_issues'), 'Looking is not handing out.');
    }

    public function test_the_barcode_on_the_invoice_reads_as_its_number(): void
    {
        $label = $this->sell('LH-1140')->label;
        $pdf = (string) tempnam(sys_get_temp_dir(), 'invoice');
        file_put_contents($pdf, $this->get("/documents/{$label}/invoice.pdf")->getContent());
        (new Process(['pdftoppm', '-r', '200', '-png', '-singlefile', $pdf, $pdf]))->mustRun();
        $read = (new Process(['zbarimg', '--quiet', '--raw', '-Sdisable', '-Scode128.enable', "{$pdf}.png"]))
            ->mustRun()
            ->getOutput();
        unlink($pdf);
        unlink("{$pdf}.png");
        $this->assertSame($label, trim($read));
    }

    public function test_an_invoice_is_mailed_to_the_mailbox(): void
    {
        $label = $this->sell('LH-1140')->label;
        $this->from("/documents/{$label}")
            ->post("/documents/{$label}/mail", ['mail_to' => 'no'])
            ->assertSessionHasErrors('refused');
        $this->post("/documents/{$label}/mail", ['mail_to' => 'mason@example.test'])->assertSessionHas('done');
        $this->as('301')
            ->get('/devices')
            ->assertOk()
            ->assertSee('mason@example.test')
            ->assertSee("{$label}.pdf");
        $mail = DB::table('sent_mails')->sole();
        $this->assertStringContainsString('4.24 USD', $mail->body);
        $this->assertStringStartsWith(
            '%PDF',
            $this->get("/devices/mails/{$mail->id}/attachment")
                ->assertOk()
                ->getContent(),
        );
    }

    /** @param  list<string>  $found */
    #[DataProvider('searches')]
    public function test_items_are_found(string $find, array $found): void
    {
        $page = $this->get('/items?'.http_build_query(['find' => $find]))->assertOk();

        foreach (['LH-1140', 'LH-1141', 'PI-2800', 'FX-5060'] as $code) {
            in_array($code, $found, true) ? $page->assertSee($code) : $page->assertDontSee($code);
        }
    }

    /** @return iterable<array{string, list<string>}> */
    public static function searches(): iterable
    {
        yield ['hook', ['LH-1140', 'LH-1141']];
        yield ['lim*180', ['LH-1141']];
        yield ['*pper', ['PI-2800']];
        yield ['pper', []];
        yield ['5×60', ['FX-5060']];
        yield [Scene::barcode(1), ['LH-1140']];
        yield ['LH-11', ['LH-1140', 'LH-1141']];
        yield ['nothing like it', []];
    }

    /** @return array<string, mixed> */
    private static function item(): array
    {
        return [
            'code' => 'NE-1',
            'barcode' => Scene::barcode(5),
            'description' => 'New thing',
            'department_id' => 1,
            'unit' => 'each',
            'price_per' => '1',
            'list_price' => '12,50',
            'floor_price' => '10',
            'cost' => '6',
            'tax_class' => 'standard',
            'may_discount' => '1',
            'active' => '1',
            'breaks' => [['from_quantity' => '10', 'price' => '11']],
            'promotions' => [
                ['name' => 'Spring', 'price' => '11.50', 'from_date' => '2027-03-01', 'until_date' => '2027-03-31'],
            ],
        ];
    }

    public function test_an_item_is_made_changed_and_its_prices_kept_on_record(): void
    {
        $this->as('301')->post('/items', self::item())->assertRedirect('/items/NE-1');
        $item = Item::query()->where('code', 'NE-1')->firstOrFail();
        $this->assertSame(
            ['12.5', 1, 1],
            [$item->list_price->toString(), $item->breaks->count(), $item->promotions->count()],
        );
        $this->post('/items/NE-1', [...self::item(), 'list_price' => '13', 'breaks' => []])->assertRedirect(
            '/items/NE-1',
        );
        $changes = PriceChange::query()
            ->where('item_id', $item->id)
            ->get()
            ->map(static fn (PriceChange $change): array => [$change->field, $change->was, $change->became])
            ->all();
        $this->assertContains(['list price', '12.5', '13'], $changes);
        $this->assertContains(['price from 10', '11', null], $changes);
        $this->get('/items/NE-1')->assertSee('list price')->assertSee('Office Oak');
        $this->as('101')
            ->get('/items/NE-1')
            ->assertOk()
            ->assertDontSee('Cost, moving average')
            ->assertDontSee('Save item');
        $this->post('/items/NE-1', self::item())->assertForbidden();
    }

    public function test_a_bad_item_is_answered_field_by_field_with_everything_still_in_it(): void
    {
        $bad = [
            ...self::item(),
            'code' => 'LH-1140',
            'barcode' => '2000000000051',
            'list_price' => 'dear',
            'description' => '',
            'promotions' => [
                ['name' => 'Spring', 'price' => '', 'from_date' => '2027-03-31', 'until_date' => '2027-03-01'],
            ],
        ];
        $this->as('301')
            ->from('/items/new')
            ->post('/items', $bad)
            ->assertSessionHasErrors([
                'code', 'barcode', 'list_price', 'description', 'promotions.0.price', 'promotions.0.until_date',
            ]);
        $this->get('/items/new')
            ->assertSee('Another item has this code')
            ->assertSee('one of its digits is wrong')
            ->assertSee('value="dear"', false);
    }

    public function test_every_page_forbids_script_of_others(): void
    {
        foreach (['/documents', '/items', '/devices', '/design'] as $page) {
            $this->assertStringContainsString(
                "script-src 'self';",
                (string) $this->get($page)->assertOk()->headers->get('Content-Security-Policy'),
            );
        }
    }
}
