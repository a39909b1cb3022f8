<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\LinkPayment;
use Elmstone\PayLinks\PayLink;
use Elmstone\PayLinks\PaysByLink;
use Elmstone\Shop\Till;
use Elmstone\Takings\PostTakings;
use Elmstone\Takings\TakingsTable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One link in several hands, one pad at several desks: at the same instant, as processes of their own. */
final class PayingRaceTest extends RaceCase
{
    private function owes(): Document
    {
        $customer = $this->account('5000.00');
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->act(), Customer::query()->findOrFail($customer->id));
        app(AddToSlip::class)->handle($slip, $this->act(), 'MA-0031');
        $version = app(ChargeSlip::class)->rest($slip, $this->act())->version;
        app(PostSale::class)->handle($slip, $this->act($version));

        return Document::query()->where('kind', 'invoice')->latest('id')->firstOrFail();
    }

    public function test_one_link_in_several_hands_takes_the_money_once(): void
    {
        $invoice = $this->owes();
        $link = PayLink::of(Payable::Invoice, $invoice->id, $invoice->total, CarbonImmutable::today()->addDays(9));
        $this->atOnce(static function () use ($link): void {
            try {
                app(PaysByLink::class)->handle($link, null);
            } catch (Refused) {
                // Somebody else has paid it.
            }
        });
        $open = LinkPayment::query()->where('state', LinkPayment::OPEN)->first();
        $open === null || app(PaysByLink::class)->settle($open);
        self::assertSame(1, LinkPayment::query()->where('state', LinkPayment::PAID)->count());
        self::assertSame(1, CardRequest::query()->where('state', CardState::Approved)->count());
        self::assertSame(1, Document::query()->where('kind', 'receipt')->count());
        self::assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_one_pad_entered_at_several_desks_is_posted_once(): void
    {
        $rows = [];

        for ($i = 1; $i <= 12; $i++) {
            $rows[$i + 1] = [
                'item' => $i % 2 === 0 ? 'LH-1140' : 'LH-1141', 'quantity' => '1', 'price' => '4.24', 'tax' => 'with',
                'tender' => 'cash', 'number' => "P-{$i}", 'who' => 'Ida',
            ];
        }

        $this->atOnce(function (int $number) use ($rows): void {
            $till = Till::query()->with('location.taxProfile.components')->findOrFail($number % 2 + 1);
            $read = app(TakingsTable::class)->read(
                $number % 3 === 0 ? array_reverse($rows, true) : $rows,
                'today',
                $till->location,
                $this->staff('301'),
            )->rows;

            try {
                $read === [] || app(PostTakings::class)->handle(
                    $read, null, $number % 4 === 0, $till, $this->staff('301'), (string) Str::uuid(),
                );
            } catch (Refused) {
                // Somebody else has entered it.
            }
        });
        self::assertSame(12, DB::table('takings_rows')->count());
        self::assertSame(12 * 424, (int) Document::query()->where('kind', 'invoice')
            ->sum(DB::raw('total + cash_rounding')));
        self::assertSame([], app(Prove::class)->handle()->faults);
    }
}
