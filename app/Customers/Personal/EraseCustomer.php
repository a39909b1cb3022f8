<?php

declare(strict_types=1);

namespace Elmstone\Customers\Personal;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Elmstone\Support\PersonalData;
use Illuminate\Support\Facades\DB;

/** Shows what is kept about a customer, and erases it where the books allow: all of it, for good, on record. */
final readonly class EraseCustomer
{
    /** @param  iterable<PersonalData>  $rooms */
    public function __construct(private iterable $rooms)
    {
    }

    /** @return list<string> what stands in the way */
    public function hinders(Customer $customer): array
    {
        $hinders = [];

        foreach ($this->rooms as $room) {
            $why = $room->hinders($customer->id);
            $why === null || $hinders[] = $why;
        }

        return $hinders;
    }

    /** @return array<string, list<array<string, mixed>>> */
    public function shows(Customer $customer): array
    {
        $shown = [];

        foreach ($this->rooms as $room) {
            $shown += $room->shows($customer->id);
        }

        return array_filter($shown, static fn (array $rows): bool => $rows !== []);
    }

    /**
     * @param  string  $number typed once more, so that it is nobody else
     *
     * @throws Refused not_that_one, still_kept, erased
     */
    public function handle(Customer $customer, string $number, Staff $by): void
    {
        $number === (string) $customer->number || throw Refused::because(
            'not_that_one',
            'Type the customer’s number, so that it is certain who is erased.',
        );
        DB::transaction(function () use ($customer, $by): void {
            $locked = Customer::query()->lockForUpdate()->findOrFail($customer->id);
            $locked->erased_at === null || throw Refused::because('erased', 'That was erased already.');
            $hinders = $this->hinders($locked);
            $hinders === [] || throw Refused::because('still_kept', implode(' ', $hinders));

            foreach ($this->rooms as $room) {
                $room->erase($locked->id);
            }

            CustomerChanges::record($locked->id, $by, 'personal data', '', 'erased');
            SecurityLog::write(SecurityEvent::Erased, $by, "customer {$locked->number}");
        });
    }
}
