@use('Illuminate\Support\Str')
{{-- A till that is not open is opened here, when the first money is to be taken. --}}
<div id="open-till" data-part>
@isset($carried)
<div class="note look mt-2">
    <form class="d-flex flex-wrap gap-2 align-items-baseline" method="post" action="{{ route('till.open') }}">@csrf
        <input type="hidden" name="key" value="{{ (string) Str::uuid() }}"><input type="hidden" name="as_left"
            value="1"><input type="hidden" name="slip" value="{{ $target }}">
        <span><strong>{{ $till->name }} is not open.</strong> Its float, before money is taken:</span>
        <button class="quiet-act">as it was left in, {{ $carried }}</button>
        <button type="button" class="link-act" data-toggles="count-float">count it</button></form>
    <form id="count-float" class="mt-2" method="post" action="{{ route('till.open') }}" autocomplete="off" @panel
        @unless($errors->has('rows*')) hidden @endunless>@csrf
        <input type="hidden" name="key" value="{{ (string) Str::uuid() }}"><input type="hidden" name="slip"
            value="{{ $target }}">
        @include('tills.cash', ['focus' => false])
        @include('design.complaint', ['field' => 'rows'])
        <button class="quiet-act mt-2">Open with what was counted</button></form>
</div>
@endisset
</div>
