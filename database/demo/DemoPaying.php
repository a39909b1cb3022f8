<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Elmstone\Cards\CardSurcharge;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\KeptCards\Consent;
use Elmstone\KeptCards\KeepCards;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\PayLink;
use Elmstone\PayLinks\PaysByLink;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Takings\PostTakings;
use Elmstone\Takings\TakingsTable;
use Illuminate\Support\Str;

/**
 * How the demonstration shop is paid besides cash: cards on file, a surcharge at the small counter, links on papers, a
 * pad that was written while the power was out.
 */
final class DemoPaying
{
    /** Customers by number, which card of the terminal each leaves, and what they call it. */
    private const KEPT = [[1001, 0, 'Yard'], [1001, 2, ''], [1004, 1, ''], [1004, 0, ''], [1006, 3, 'Office']];

    public function __construct(
        private readonly DemoClerk $clerk,
        private readonly KeepCards $keep,
        private readonly PaysByLink $links,
        private readonly TakingsTable $table,
        private readonly PostTakings $takings,
        private readonly House $house,
    ) {
    }

    public function build(CarbonImmutable $today): void
    {
        Shop::query()->firstOrFail()->update([
            'links_on' => true,
            'sign_over' => Money::of('400.00', $this->house->currency()),
        ]);
        $this->surcharge();
        $this->cards($today);
        $this->byLink($today);
        $this->pad();
    }

    private function surcharge(): void
    {
        $small = Location::query()->orderByDesc('id')->firstOrFail();
        CardSurcharge::query()->create([
            'location_id' => $small->id, 'card_type' => 'credit', 'percent' => '2', 'cap' => Money::of(
                '15.00',
                $this->house->currency(),
            ),
        ]);
        $small->update([
            'surcharge_words' => 'Credit cards cost 2 % more, 15.00 at most. Debit cards and cash cost nothing more.',
            'surcharge_class' => 'standard',
            'surcharge_most' => '3',
        ]);
    }

    /** One of them ran out a while ago. */
    private function cards(CarbonImmutable $today): void
    {
        $till = $this->clerk->till(1);

        foreach (self::KEPT as $i => [$number, $card, $name]) {
            SimulatedTerminal::put($till, $card);
            $kept = $this->keep->keep(
                Customer::query()->where('number', $number)->sole(),
                $till,
                $this->clerk->staff('101'),
                $i % 2 === 0 ? Consent::InPerson : Consent::Telephone,
                $name,
                (string) Str::uuid(),
            );
            $i === 1 && CardOnFile::query()->whereKey($kept->id)->update([
                'expires' => $today->subMonthsNoOverflow(2)->endOfMonth()->format('Y-m-d'),
            ]);
        }

        SimulatedTerminal::put($till, null);
    }

    /** Two invoices were paid by the links on their papers this morning. */
    private function byLink(CarbonImmutable $today): void
    {
        $items = OpenItemRecord::query()->where('kind', 'charge')->where('purpose', 'sale')->where('open', '>', 0)
            ->whereColumn('open', 'amount')->orderByDesc('document_id')->limit(2)->get();

        foreach ($items as $item) {
            $this->links->handle(PayLink::of(
                Payable::Invoice,
                $item->document_id,
                $item->open,
                $today->addDays(30),
            ), null);
        }
    }

    /** The power was out for an hour yesterday. */
    private function pad(): void
    {
        $till = $this->clerk->till(2);
        $row = static fn (string $item, string $many, string $price, string $number, string $who): array => [
            'item' => $item, 'quantity' => $many, 'price' => $price, 'tax' => 'with', 'tender' => 'cash',
            'number' => $number, 'who' => $who,
        ];
        $report = $this->table->read([
            2 => $row('LH-1140', '2', '4.13', 'P-101', 'Maren Holt'),
            3 => $row('AD-0207', '1', '7.00', 'P-101', 'Maren Holt'),
            4 => $row('PI-2800', '3', '5.50', 'P-102', ''),
            5 => $row('FX-5060', '50', '10.50', 'P-103', 'Ida Moss'),
        ], 'today', $till->location, $this->clerk->staff('301'));
        $report->rows === [] || $this->takings->handle(
            $report->rows, null, false, $till, $this->clerk->staff('301'), (string) Str::uuid(),
        );
    }
}
