<?php

declare(strict_types=1);

namespace Elmstone\Customers\Drafts;

use Elmstone\Core\Money\Money;
use Elmstone\Customers\Contact;

/** Somebody of a customer's, as they are to be. */
final readonly class ContactDraft
{
    /**
     * @param  int|null  $id who is there already; null: somebody new
     * @param  Money|null  $spendingLimit per sale; null: as far as the account goes
     */
    public function __construct(
        public ?int $id,
        public string $name,
        public string $phone,
        public string $mail,
        public bool $mayBuy,
        public ?Money $spendingLimit,
    ) {
    }

    public static function of(Contact $contact): self
    {
        return new self(
            $contact->id,
            $contact->name,
            $contact->phone,
            $contact->mail,
            $contact->may_buy,
            $contact->spending_limit,
        );
    }

    /** The same person with the rights of the one who is there; somebody new has none. */
    public function withRightsOf(?Contact $known): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->phone,
            $this->mail,
            $known?->may_buy === true,
            $known?->spending_limit,
        );
    }

    /** @return array<string, string|bool|Money|null> */
    public function columns(): array
    {
        return [
            'name' => $this->name,
            'phone' => $this->phone,
            'mail' => $this->mail,
            'may_buy' => $this->mayBuy,
            'spending_limit' => $this->spendingLimit,
            'active' => true,
        ];
    }
}
