<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Contact;

/** Notes who of the customer's people buys, and their purchase order and job. */
final class ChangeParty
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /**
     * @param  array{contact?: string, purchase_order?: string, job?: string}  $typed
     *
     * @throws Refused no_customer, not_their_contact
     */
    public function handle(string $slipKey, Act $act, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($typed): void {
            if ($slip->customer_id === null) {
                throw Refused::because('no_customer', 'Put a customer on the slip first.');
            }

            $columns = array_map(
                static fn (string $text): string => trim($text),
                array_intersect_key($typed, ['purchase_order' => 0, 'job' => 0]),
            );

            if (array_key_exists('contact', $typed)) {
                $columns['contact_id'] = $this->contact($slip->customer_id, $typed['contact']);
            }

            $slip->forceFill($columns)->save();
        });
    }

    private function contact(int $customer, string $typed): ?int
    {
        if ($typed === '') {
            return null;
        }

        return Contact::query()
            ->where('customer_id', $customer)
            ->where('active', true)
            ->whereKey((int) $typed)
            ->value('id')
            ?? throw Refused::because('not_their_contact', 'This person is not with the customer any more.');
    }
}
