<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Pages\PaperTrail;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Core\Receivables\OpenItem;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\AccountLine;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\StandingBar;
use Elmstone\Receivables\Ageing\AgeingColumns;
use Elmstone\Receivables\Payments\MeetingLines;
use Elmstone\Receivables\Payments\PaymentForm;
use Elmstone\Receivables\Payments\PaymentPage;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use SimpleXMLElement;

/** The pictures: well-formed, as large as what they stand for, and readable without seeing them. */
final class PicturesTest extends FeatureCase
{
    use Charges;

    private static function picture(string $svg): SimpleXMLElement
    {
        $picture = simplexml_load_string($svg);
        self::assertInstanceOf(SimpleXMLElement::class, $picture, 'Not well-formed.');
        self::assertStringNotContainsString('style=', $svg, 'The security policy refuses inline style.');

        return $picture;
    }

    private function standing(Customer $customer): AccountStanding
    {
        return AccountStanding::of(HouseAccount::query()->findOrFail($customer->id), app(House::class));
    }

    private static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }

    public function test_the_standing_bar_shows_the_post_where_the_limit_is_and_what_lies_beyond(): void
    {
        $customer = $this->account('200.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(60)->toDateString(), $customer, 'MA-0031');
        $picture = self::picture(StandingBar::svg($this->standing($customer), self::usd('50.00')));
        self::assertSame(
            'Limit 200.00, owes 103.40, late 103.40, this slip adds 50.00',
            (string) $picture['aria-label'],
        );
        $post = (int) $picture->xpath('//*[local-name()="line"]')[2]['x1'];
        self::assertSame(232, $post);
        $late = (int) $picture->xpath('//*[local-name()="rect"]')[1]['width'];
        self::assertEqualsWithDelta((232 * 103.4) / 200, $late, 2);
        $beyond = self::picture(StandingBar::svg($this->standing($customer), self::usd('300.00')));
        self::assertLessThan(232, (int) $beyond->xpath('//*[local-name()="line"]')[2]['x1']);
        self::assertStringContainsString('#9c3324', $beyond->asXML() ?: '');
        self::picture(StandingBar::svg($this->standing($this->account('0.00', 'No Limit'))));
    }

    public function test_the_standing_bar_shows_what_is_ordered_and_will_be_charged_as_a_piece_of_its_own(): void
    {
        $customer = $this->account('200.00', terms: ['late' => 365]);
        HouseAccount::query()->where('customer_id', $customer->id)->update(['orders' => 5000]);
        $picture = self::picture(StandingBar::svg($this->standing($customer), self::usd('50.00')));
        self::assertStringContainsString('on order 50.00', (string) $picture['aria-label']);
        $pieces = $picture->xpath('//*[local-name()="rect"]') ?: [];
        [$ordered, $adds] = [end($pieces) === false ? null : $pieces[count($pieces) - 2], end($pieces)];
        self::assertSame('#e3ddd0', (string) $ordered['fill']);
        self::assertEqualsWithDelta(232 / 4, (int) $ordered['width'], 2);
        self::assertEqualsWithDelta(232 / 4, (float) $adds['x'], 2, 'the slip begins where the orders end');
    }

    public function test_the_ageing_columns_are_as_high_as_their_amounts(): void
    {
        $day = now()->toImmutable();
        $item = static fn (string $open, int $late): OpenItem => OpenItem::charge(
            "INV-{$late}",
            $day->subDays(200),
            $day->subDays($late),
            self::usd($open),
        );
        $picture = self::picture(
            AgeingColumns::svg(
                Ageing::of(Currency::of('USD'), $day, [
                    $item('400.00', 0),
                    $item('200.00', 20),
                    $item('100.00', 100),
                    OpenItem::credit('RCT-1', $day, self::usd('50.00')),
                ]),
            ),
        );
        $heights = array_map(
            static fn (SimpleXMLElement $column): int => (int) $column['height'],
            $picture->xpath('//*[local-name()="svg"]/*[local-name()="rect"]') ?: [],
        );
        self::assertSame([120, 60, 0, 0, 30, 15], $heights);
        self::assertStringContainsString('Not due 400.00, 1–30 days late 200.00', (string) $picture['aria-label']);
        self::picture(AgeingColumns::svg(Ageing::of(Currency::of('USD'), $day, [])));
    }

    public function test_the_account_line_steps_with_the_balance_and_reads_out_its_documents(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(90)->toDateString(), $customer, 'MA-0031');
        $this->chargeOn(now()->subDays(40)->toDateString(), $customer, 'LH-1140');
        $this->pay($customer, '103.40', day: now()->subDays(10)->toImmutable());
        $svg = app(AccountLine::class)->svg(HouseAccount::query()->findOrFail($customer->id), now()->toImmutable());
        $picture = self::picture($svg);
        self::assertCount(3, $picture->xpath('//*[local-name()="circle"]') ?: []);
        self::assertStringContainsString('now 4.24', (string) $picture['aria-label']);
        self::assertStringContainsString('RCT-000001 −103.40, balance 4.24', $svg);
        self::picture(
            app(AccountLine::class)->svg(
                HouseAccount::query()->findOrFail($this->account('1.00', 'Nothing Yet')->id),
                now()->toImmutable(),
            ),
        );
    }

    public function test_meeting_lines_are_as_thick_as_what_goes_where(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(90)->toDateString(), $customer, 'MA-0031');
        $this->chargeOn(now()->subDays(40)->toDateString(), $customer, 'LH-1140');
        $page = static fn (string $amount): PaymentPage => PaymentPage::of(
            $customer->id,
            PaymentForm::from(Request::create('/', 'POST', ['amount' => $amount]), app(House::class)),
            app(House::class),
        );
        self::assertCount(
            2,
            self::picture(MeetingLines::svg($page('105.00')))->xpath('//*[local-name()="path"]') ?: [],
        );
        self::assertCount(1, self::picture(MeetingLines::svg($page('50.00')))->xpath('//*[local-name()="path"]') ?: []);
        self::assertCount(0, self::picture(MeetingLines::svg($page('')))->xpath('//*[local-name()="path"]') ?: []);
    }

    public function test_the_paper_trail_leads_from_invoice_to_payment_to_its_return(): void
    {
        $customer = $this->account();
        $invoice = $this->charge($customer, 'MA-0031');
        $trail = static fn (string $label): string => (new PaperTrail(
            Document::query()->with('refersTo')->where('label', $label)->firstOrFail(),
        ))->svg();
        self::assertSame('', $trail($invoice));
        $this->pay($customer, '103.40');
        self::assertStringContainsString('RCT-000001', $trail($invoice));
        self::assertStringContainsString("{$invoice}", $trail('RCT-000001'));
        $this->as('301')->post('/documents/RCT-000001/returned', [
            'key' => (string) \Illuminate\Support\Str::uuid(),
            'day' => now()->toDateString(),
            'reason' => 'no funds',
        ]);
        self::assertSame('', $trail($invoice));
        self::assertStringContainsString('ADJ-000001', $trail('RCT-000001'));
        self::assertStringContainsString('RCT-000001', $trail('ADJ-000001'));
        self::picture($trail('ADJ-000001'));
    }
}
