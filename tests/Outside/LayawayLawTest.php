<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Books\Document;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\LayawayTerms;
use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Tests\Feature\FeatureCase;
use Elmstone\Tests\Feature\Layaways;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What consumer law asks of an agreement by which goods are set aside and paid in parts. The acts are cited from
 * memory, without their text at hand:
 *
 * - Australia, Competition and Consumer Act 2010, Schedule 2 (Australian Consumer Law), sections 96 to 99: the
 *   agreement is in writing and the consumer is given a copy (96); it specifies any termination charge (96); the
 *   consumer may end it at any time before delivery (97); the charge is not more than the supplier's reasonable costs
 *   (97); all that was paid goes back but the charge (99). The supplier ends it only for a breach or where the goods
 *   are gone (98).
 * - New York, General Business Law, section 396-t: written terms with the total, the deposit, the payments, how long
 *   the goods are held, what happens when one cancels or does not pay.
 */
final class LayawayLawTest extends FeatureCase
{
    use Layaways;

    protected function shop(): array
    {
        return ['country' => 'US', 'postcode' => '40112', 'tax_number' => '12-3456789'];
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142', 'mail' => 'wren@example.test']);
    }

    public function test_the_agreement_is_in_writing_with_all_terms_and_a_copy_is_handed_out(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $paper = $this->printed();

        foreach (
            [
                'Layaway agreement',
                $layaway->label,
                'Wren Hollis',
                'Tile saw',
                '206.80',
                '20.68',
                $layaway->expires_on->format('j M Y'),
                'at least 10 %',
                'fixed until they leave',
                'less 10.00 for the trouble',
                'cancel at any time before the goods leave',
                'days of grace',
            ] as $words
        ) {
            self::assertStringContainsString($words, $paper);
        }

        foreach ($layaway->instalments() as $part) {
            self::assertStringContainsString($part->due->format('j M Y'), $paper);
        }
    }

    public function test_before_it_is_signed_the_same_words_stand_on_the_screen(): void
    {
        $this->readyToHold('20.68', '2 x MA-0031');
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('You may cancel at any time before the goods leave')
            ->assertSee('less 10.00 for the trouble');
    }

    public function test_it_may_be_cancelled_at_any_time_before_the_goods_leave_and_all_but_the_charge_goes_back(): void
    {
        foreach (
            ['behind or expired' => '30.00', 'running' => '20.68', 'paid in full' => '206.80'] as $state => $paid
        ) {
            $layaway = $state === 'behind or expired'
                    ? $this->holdOn(now()->subDays(130)->format('Y-m-d'), $paid, '2 x MA-0031')
                    : $this->hold($paid, '2 x MA-0031');
            $back = Money::of($paid, Currency::of('USD'))->minus(Money::of('10.00', Currency::of('USD')))->toString();
            $this->as('201')
                ->post("/layaways/{$layaway->label}/cancel", [
                    'key' => (string) Str::uuid(),
                    'version' => $layaway->version,
                    'reason' => 'changed their mind',
                    'back' => ['cash' => $back],
                ])
                ->assertSessionHasNoErrors();
            self::assertSame(LayawayState::Cancelled, Layaway::query()->findOrFail($layaway->id)->state, $state);
            $this->as('101');
        }
    }

    public function test_once_the_goods_have_left_it_is_a_sale_and_not_cancelled_any_more(): void
    {
        $layaway = $this->hold('206.80', '2 x MA-0031');
        $this->post("/layaways/{$layaway->label}/collect")->assertSessionHasNoErrors();
        $this->as('201')
            ->post("/layaways/{$layaway->label}/cancel", [
                'key' => (string) Str::uuid(),
                'version' => $this->again($layaway)->version,
                'reason' => 'x',
                'back' => ['cash' => '196.80'],
            ])
            ->assertSessionHasErrors('refused');
    }

    public function test_the_charge_is_never_more_than_was_agreed_or_than_was_paid(): void
    {
        $usd = static fn (string $amount): Money => Money::of($amount, Currency::of('USD'));
        $terms = new LayawayTerms(Portion::nothing(), Portion::nothing(), Portion::of(null, $usd('10.00')));

        self::assertSame('10.00', LayawayStanding::of($usd('300.00'), $terms, [$usd('60.00')])->fee->toString());
        self::assertSame('4.00', LayawayStanding::of($usd('300.00'), $terms, [$usd('4.00')])->fee->toString());
        self::assertSame('0.00', LayawayStanding::of($usd('300.00'), $terms, [])->refund->toString());
    }

    public function test_the_shop_never_ends_one_by_itself(): void
    {
        $layaway = $this->holdOn(now()->subDays(400)->format('Y-m-d'), '20.68', '2 x MA-0031');
        $this->get('/layaways')->assertOk();
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('expired');

        self::assertSame(
            [LayawayState::Running, 2068],
            [$this->again($layaway)->state, $this->again($layaway)->held()->minor],
        );
    }

    public function test_the_invoices_that_come_of_it_are_right_by_en_16931(): void
    {
        $layaway = $this->hold('206.80', '2 x MA-0031');
        $this->post("/layaways/{$layaway->label}/collect")->assertSessionHasNoErrors();
        $other = $this->hold('50.00', '2 x MA-0031');
        $this->as('201')
            ->post("/layaways/{$other->label}/cancel", [
                'key' => (string) Str::uuid(),
                'version' => $other->version,
                'reason' => 'x',
                'back' => ['cash' => '40'],
            ])
            ->assertSessionHasNoErrors();

        foreach (Document::query()->where('kind', 'invoice')->get() as $invoice) {
            $xml = (string) $this->get("/documents/{$invoice->label}/invoice.xml")
                ->assertOk()
                ->getContent();
            self::assertSame([], En16931::broken($xml), $invoice->purpose->value);
            self::assertSame([], UblSchema::complaints($xml), $invoice->purpose->value);
        }
    }

    private function printed(): string
    {
        return html_entity_decode(
            strip_tags(
                (string) DB::table('printed_papers')->where('title', 'like', '%agreement')->latest('id')->value('html'),
            ),
        );
    }
}
