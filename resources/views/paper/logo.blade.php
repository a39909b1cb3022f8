{{-- The shop's logo, as large as its words allow. --}}
@if($shop->logo)<p><img class="logo" src="{{ $shop->logo }}" alt="{{ $shop->name }}"></p>@endif
