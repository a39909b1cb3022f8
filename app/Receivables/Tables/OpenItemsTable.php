<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Opening\OpeningItem;
use Elmstone\Receivables\Opening\PostOpening;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ChangedMeanwhile;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\Auth\Factory;
use Ramsey\Uuid\Uuid;

/** Open items of the books before these, invoice by invoice. */
final readonly class OpenItemsTable implements BringsIn
{
    private const AT_ONCE = 1000;

    public function __construct(
        private OpenItemRows $read,
        private PostOpening $post,
        private House $house,
        private AtTill $atTill,
        private Factory $auth,
    ) {
    }

    public function key(): string
    {
        return 'open-items';
    }

    public function title(): string
    {
        return 'Open items';
    }

    /** By a file nobody owes something who could not be made to otherwise. */
    public function abilities(): array
    {
        return [Ability::ManageAccounts->value];
    }

    public function words(): string
    {
        return 'What customers owed before these books began, invoice by invoice. The customer is the number of a '
            .'house account, the number what the invoice was called before, dated and due are days such as 2026-03-31, '
            .'open is what is still to be paid; with a minus it is their credit. Each comes onto its account today, '
            .'against opening balances, and is late from its due day.';
    }

    public function columns(): array
    {
        return ['customer', 'number', 'dated', 'due', 'open'];
    }

    public function needed(): array
    {
        return $this->columns();
    }

    public function most(): int
    {
        return 20_000;
    }

    public function example(): array
    {
        return [
            ['1001', 'OLD-4711', '2026-01-05', '2026-02-04', '120.00'], ['1001', 'OLD-CR9', '2026-01-20', '', '-15.25'],
        ];
    }

    /** What is open now. */
    public function rows(): iterable
    {
        $customers = Customer::query()->pluck('number', 'id');
        $open = OpenItemRecord::query()->where('open', '>', 0)->orderBy('document_id');

        foreach ($open->lazyById(self::AT_ONCE, 'document_id') as $item) {
            $number = $customers->get($item->customer_id);

            yield [
                is_numeric($number) ? (string) $number : '',
                $item->label,
                $item->business_date->format('Y-m-d'),
                $item->due_date->format('Y-m-d'),
                $item->signedOpen()->toString(),
            ];
        }
    }

    public function check(iterable $rows, ImportReport $report): void
    {
        $items = [];
        $this->read->each(
            $rows,
            static function (int $line, OpeningItem|Refused $item, string $name) use ($report, &$items): void {
                if ($item instanceof Refused) {
                    $report->complain($line, $name, $item->getMessage());
                } else {
                    $report->fine(false);
                    $items[] = $item;
                }
            },
        );
        $report->comesTo = $this->comesTo($items);
    }

    public function write(iterable $rows, string $digest, callable $brought): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw Refused::because('nobody', 'Nobody is signed in.');
        $items = [];
        $this->read->each($rows, static function (int $line, OpeningItem|Refused $item) use (&$items): void {
            $item instanceof Refused && throw ChangedMeanwhile::at($line, $item);
            $items[] = $item;
        });
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "opening {$digest}")->toString();
        $items === [] || $this->post->handle($items, $key, $this->atTill->till(), $by, $brought);
    }

    /** @param  list<OpeningItem>  $items */
    private function comesTo(array $items): string
    {
        $sum = fn (callable $which): string => Show::money(Money::sum(
            array_map(static fn (OpeningItem $item): Money => $item->open, array_filter($items, $which)),
            $this->house->currency(),
        ));
        $accounts = count(array_unique(array_map(static fn (OpeningItem $item): int => $item->customer, $items)));

        return 'On '.($accounts === 1 ? 'one account' : number_format($accounts).' accounts').': '
            .$sum(static fn (OpeningItem $item): bool => $item->open->isPositive()).' owed, '
            .$sum(static fn (OpeningItem $item): bool => $item->open->isNegative()).' credit.';
    }
}
