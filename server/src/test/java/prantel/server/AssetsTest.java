package prantel.server;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** What a browser keeps. Cache-Control: RFC 9111 and RFC 8246, from memory. */
@TestServer
class AssetsTest {
    @Autowired
    private MockMvc mvc;

    /** A file whose name holds its hash is never asked for again. */
    @Test
    void whatIsNamedByItsHashIsKeptForGood() throws Exception {
        mvc.perform(get("/assets/probe-1a2b3c.js"))
                .andExpect(status().isOk())
                .andExpect(header().string("Cache-Control", "max-age=31536000, public, immutable"));
    }

    @Test
    void whatIsNotThereIsNotKept() throws Exception {
        mvc.perform(get("/assets/gone-000000.js")).andExpect(status().isNotFound());
    }
}
