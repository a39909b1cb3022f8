{{-- The slip as a quote: until when its prices hold, when somebody asks after it. --}}
<div class="hold" id="quote-part" data-part>
    @php $draft = $slip->isDone() ? null : $reckoned->quote(); @endphp
    @if($draft !== null)
        @php
            $promise = $draft->promise;
            $save = route('counter.quote.terms', $slip->key);
        @endphp
        <h2 class="band-name">{{ $slip->takesUp === null ? 'Quote' : "Quote {$slip->takesUp->label}, revision "
            .($slip->takesUp->revision + 1) }}</h2>
        <div class="hold-row">
            @if($slip->customer === null)<label for="quote-party">for</label><input class="form-control wide"
                id="quote-party" name="party" maxlength="120" autocomplete="off"
                    placeholder="a name, where nobody we know"
                    data-save="{{ $save }}" value="{{ $promise->party }}">@endif
            <span class="pair"><label for="quote-valid">prices hold until</label> <input type="date"
                class="form-control" id="quote-valid" name="valid_until" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('quote.valid_until',
                        $promise->valid_until?->format('Y-m-d') ?? '') }}"></span>
            <span class="pair"><label for="quote-follow">ask after it on</label> <input type="date"
                class="form-control" id="quote-follow" name="follow_up_on" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('quote.follow_up_on',
                        $promise->follow_up_on?->format('Y-m-d') ?? '') }}"></span>
            <label for="quote-note">note</label><input class="form-control wide" id="quote-note"
            name="note" maxlength="255" autocomplete="off" placeholder="to the customer" data-save="{{ $save }}"
                value="{{ $promise->note }}">
        </div>
        @if($complaint->within('quote.'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
    @endif
</div>
