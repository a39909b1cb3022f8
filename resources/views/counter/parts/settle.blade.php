@use('Elmstone\Support\ShopTime')
@use('Elmstone\Staff\Ability')
@use('Elmstone\Counter\Page\SettlementBar')
@use('Elmstone\Support\Show')
<section class="settle" id="settle" data-part aria-label="Settle" x-data="settle" @keydown="key"
    @to-settle.document="begin">
    <div id="slip-state" data-slip="{{ $slip->key }}" data-target="{{ $target }}"
        data-version="{{ $slip->isDone() ? '' : $slip->version }}"></div>
    <h2 class="band-name">Settle</h2>
    @if($reckoned->isRefund())
    <p class="direction back mb-0">← {{ $slip->isDone() ? 'Gone back' : 'To give back' }}</p>@endif
    <div class="due {{ strlen(Show::money($reckoned->payable()->abs())) > 10 ? 'long' : '' }}">
        <span class="sum" id="total">{{ $reckoned->payable()->abs() }}</span>
        <span class="beside">{{ $house->currency()->code }} ·
        {{ Show::date($slip->document->business_date ?? $slip->day()) }}
            @if(! $slip->isDone() && $staff->mayDo(Ability::Backdate))<br>
            <button type="button" class="link-act" data-toggles="other-day">another day</button>@endif</span>
    </div>
    @unless($slip->isDone())
        <div id="other-day" @panel class="mb-2" @unless($complaint->on('date')) hidden @endunless>
            <label for="date" class="small soft">Sale date, an open day</label>
            <input type="date" class="form-control {{ $complaint->on('date') ? 'is-refused' : '' }}" id="date"
                name="date" {{ $complaint->holds('date', $slip->day()->format('Y-m-d')) }}
                    data-save="{{ route('counter.date', $slip->key) }}"
                    value="{{ $complaint->typedOr('date', $slip->day()->format('Y-m-d')) }}"
                        min="{{ $slip->location->closed_through->addDay()->format('Y-m-d') }}"
                            max="{{ ShopTime::today()->format('Y-m-d') }}">
            @if($complaint->on('date'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        </div>
    @endunless
    @if($reckoned->inWords() !== '')<p class="small soft mb-0">{{ $reckoned->inWords() }}</p>@endif
    {!! SettlementBar::svg($reckoned, $house) !!}
    @if($slip->isPosted())
        @include('counter.parts.posted')
    @elseif($slip->isDone())
        @include('counter.parts.practised')
    @else
        @include('counter.parts.ways')
    @endif
</section>
