<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Ramsey\Uuid\Uuid;

/** What a card terminal is asked for. The key of a question follows from it, never from the page. */
final readonly class CardSubject
{
    /** @param  string  $key names the thing for good, such as a slip's key */
    private function __construct(public string $kind, public int $id, private string $key)
    {
    }

    public static function slip(int $id, string $key): self
    {
        return new self('slip', $id, $key);
    }

    public static function layaway(int $id, string $key): self
    {
        return new self('layaway', $id, $key);
    }

    /**
     * What is held for a customer.
     *
     * @param  string  $kind deposit or store_credit
     */
    public static function held(string $kind, int $customer): self
    {
        return new self($kind, $customer, "{$kind} of {$customer}");
    }

    /** A payment on an account that is not used. */
    public static function credit(int $document): self
    {
        return new self('credit', $document, "credit {$document}");
    }

    /** @param  int  $ordinal the how many-th question */
    public function key(int $ordinal): string
    {
        return Uuid::uuid5(Uuid::NAMESPACE_OID, "card {$this->kind} {$this->key} {$ordinal}")->toString();
    }
}
