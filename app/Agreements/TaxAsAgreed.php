<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Books\Drafts\Exempted;
use Elmstone\Core\Tax\Exemption;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;

/** The taxes of the day an agreement was made, with an exemption where there was one. They hold until its end. */
final readonly class TaxAsAgreed
{
    /**
     * @param  Exempted  $taxes every component of the place, and what the customer need not pay
     * @param  array<string, string>  $names by component
     */
    public function __construct(
        public TaxTerms $terms,
        public Exempted $taxes,
        public bool $isExempt,
        public array $names,
    ) {
    }

    public function toJson(): string
    {
        return json_encode(
            [
                'included' => $this->terms->taxIncluded,
                'rounding' => $this->terms->rounding->value,
                'exempt' => $this->isExempt,
                'names' => $this->names,
                'taxes' => $this->taxes->toJson(),
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    public static function fromJson(string $json): self
    {
        /**
         * @var array{included: bool, rounding: string, exempt: bool, names: array<string, string>, taxes: string} $data
         */
        $data = json_decode($json, true, 8, JSON_THROW_ON_ERROR);
        $rounding = TaxRounding::from($data['rounding']);
        $taxes = Exempted::fromJson($data['taxes']) ?? new Exempted('', '', [], []);

        return new self(
            $data['included'] ? TaxTerms::pricesWithTax($rounding) : TaxTerms::pricesWithoutTax($rounding),
            $taxes,
            $data['exempt'],
            $data['names'],
        );
    }

    public function profile(): TaxProfile
    {
        return $this->taxes->taxProfile();
    }

    public function exemption(): ?Exemption
    {
        return $this->isExempt ? $this->taxes->exemption() : null;
    }

    /** What the document says of it; null: not exempt. */
    public function exempted(): ?Exempted
    {
        return $this->isExempt ? $this->taxes : null;
    }

    /**
     * Whether these are the taxes of today.
     *
     * @param  list<TaxComponent>  $today
     */
    public function isAs(array $today): bool
    {
        return self::written($this->taxes->profile) === self::written($today);
    }

    /**
     * @param  list<TaxComponent>  $components
     * @return list<array{string, string, list<string>, list<string>}>
     */
    private static function written(array $components): array
    {
        return array_map(
            static fn (TaxComponent $component): array => [
                $component->id,
                $component->rate->toString(),
                $component->classes,
                $component->onTopOf,
            ],
            $components,
        );
    }
}
