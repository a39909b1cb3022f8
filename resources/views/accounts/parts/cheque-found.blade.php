@foreach($found as $one)
    <button type="button" data-number="{{ $one->customer->number }}"><span
        class="code">{{ $one->customer->number }}</span> {{ $one->customer->name }} <span
            class="soft small">owes {{ $one->balance }}</span></button>
@endforeach
