<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

/** Which card on file is to pay, and, where its holder is not there, what they said of their address. */
final readonly class AskedOnFile
{
    /**
     * @param  int  $card the id it has on file
     * @param  bool  $absent whether the holder is not there, as on the telephone
     */
    public function __construct(
        public int $card,
        public bool $absent = false,
        public string $postcode = '',
        public string $number = '',
    ) {
    }

    /** @return array<string, mixed> as a question to a terminal keeps it */
    public function columns(): array
    {
        return [
            'on_file_id' => $this->card,
            'absent' => $this->absent,
            'given_postcode' => $this->absent ? mb_substr($this->postcode, 0, 12) : '',
            'given_number' => $this->absent ? mb_substr($this->number, 0, 10) : '',
        ];
    }
}
